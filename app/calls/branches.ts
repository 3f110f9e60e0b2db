import { api, type BodyOf } from '../composables/api'

export const fetchBranches = () => api.get('/api/branches')

export const addBranch = (body: BodyOf<'/api/branches', 'post'>) => api.post('/api/branches', { body })

export const changeBranch = (id: number, body: BodyOf<'/api/branches/{id}', 'put'>) =>
  api.put('/api/branches/{id}', { path: { id }, body })
