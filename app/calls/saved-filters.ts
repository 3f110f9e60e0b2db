import { api, type BodyOf } from '../composables/api'

type NewFilter = BodyOf<'/api/saved-filters', 'post'>

export const fetchFilters = (page: NewFilter['page']) => api.get('/api/saved-filters', { query: { page } })

export const keepFilter = (body: NewFilter) => api.post('/api/saved-filters', { body })

export const dropFilter = (id: number) => api.delete('/api/saved-filters/{id}', { path: { id } })
