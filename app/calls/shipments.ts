import { api, type BodyOf, type QueryOf } from '../composables/api'

export const listShipments = (query: QueryOf<'/api/shipments', 'get'>) => api.get('/api/shipments', { query })

export const fetchShipment = (id: number) => api.get('/api/shipments/{id}', { path: { id } })

export const planShipment = (orderId: number) =>
  api.get('/api/orders/{id}/shipment-plan', { path: { id: orderId } })

/** By what a scanner reads: the number of the order. */
export const planByCode = (code: string) => api.get('/api/shipments/to-pack', { query: { code } })

export const makeShipment = (orderId: number, body: BodyOf<'/api/orders/{id}/shipments', 'post'>) =>
  api.post('/api/orders/{id}/shipments', { path: { id: orderId }, body })

/** What is fetched from the warehouse for orders, by place. */
export const fetchPicking = (orderIds: number[]) => api.post('/api/shipments/picking', { body: { orderIds } })

export const changeShipment = (id: number, body: BodyOf<'/api/shipments/{id}', 'put'>) =>
  api.put('/api/shipments/{id}', { path: { id }, body })

export const takeShipmentBack = (id: number, body: BodyOf<'/api/shipments/{id}/take-back', 'post'>) =>
  api.post('/api/shipments/{id}/take-back', { path: { id }, body })

export const cancelRest = (orderId: number, version: number) =>
  api.post('/api/orders/{id}/cancel-rest', { path: { id: orderId }, body: { version } })
