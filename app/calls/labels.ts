import { api, type BodyOf, type QueryOf } from '../composables/api'

export const listLabels = (query: QueryOf<'/api/labels', 'get'>) => api.get('/api/labels', { query })

export const countLabels = () => api.get('/api/labels/counts')

/** What services would cost for a shipment, and which it goes by. */
export const fetchOffers = (shipmentId: number) =>
  api.get('/api/shipments/{id}/label-offers', { path: { id: shipmentId } })

export const makeLabels = (shipmentId: number, body: BodyOf<'/api/shipments/{id}/labels', 'post'>) =>
  api.post('/api/shipments/{id}/labels', { path: { id: shipmentId }, body })

export const makeLabelsOfMany = (shipmentIds: number[]) =>
  api.post('/api/shipments/labels', { body: { shipmentIds } })

export const giveLabelsBack = (labelIds: number[]) =>
  api.post('/api/labels/give-back', { body: { labelIds } })
