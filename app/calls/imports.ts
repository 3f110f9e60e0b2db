import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchImportRows = (id: number, query: QueryOf<'/api/imports/{id}/rows', 'get'>) =>
  api.get('/api/imports/{id}/rows', { path: { id }, query })

export const mendImportRow = (
  id: number,
  line: number,
  body: BodyOf<'/api/imports/{id}/rows/{line}', 'put'>,
) => api.put('/api/imports/{id}/rows/{line}', { path: { id, line }, body })
