import { api, type BodyOf, type QueryOf } from '../composables/api'

export const searchOrders = (query: QueryOf<'/api/orders', 'get'>) => api.get('/api/orders', { query })

export const fetchWhy = (id: number) => api.get('/api/orders/{id}/why', { path: { id } })

export const writeOrder = (body: BodyOf<'/api/orders', 'post'>) => api.post('/api/orders', { body })
