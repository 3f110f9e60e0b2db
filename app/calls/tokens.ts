import { api, type BodyOf } from '../composables/api'

export const fetchTokens = () => api.get('/api/tokens')

export const makeToken = (body: BodyOf<'/api/tokens', 'post'>) => api.post('/api/tokens', { body })

export const revokeToken = (id: number) => api.delete('/api/tokens/{id}', { path: { id } })
