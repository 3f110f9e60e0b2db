import { api, postForBytes, type BodyOf, type QueryOf } from '../composables/api'

export const searchOrders = (query: QueryOf<'/api/orders', 'get'>) => api.get('/api/orders', { query })

export const fetchOrder = (id: number) => api.get('/api/orders/{id}', { path: { id } })

export const changeOrder = (id: number, body: BodyOf<'/api/orders/{id}', 'put'>) =>
  api.put('/api/orders/{id}', { path: { id }, body })

export const fetchWhy = (id: number) => api.get('/api/orders/{id}/why', { path: { id } })

/** The confirmation of an order that is being written, as a PDF. */
export const previewOrder = (body: BodyOf<'/api/orders/preview', 'post'>) =>
  postForBytes('/api/orders/preview', body)

export const writeOrder = (body: BodyOf<'/api/orders', 'post'>) => api.post('/api/orders', { body })
