import { api, type QueryOf } from '../composables/api'

/** What labels are bought for: a shipment, or a return. */
export interface Labelled {
  id: number
  isReturn: boolean
}

export const listLabels = (query: QueryOf<'/api/labels', 'get'>) => api.get('/api/labels', { query })

export const countLabels = () => api.get('/api/labels/counts')

/** What services would cost, and which the goods go by. */
export const fetchOffers = ({ id, isReturn }: Labelled) =>
  isReturn
    ? api.get('/api/returns/{id}/label-offers', { path: { id } })
    : api.get('/api/shipments/{id}/label-offers', { path: { id } })

export const makeLabels = (
  { id, isReturn }: Labelled,
  { despite, ...body }: { service?: string; despite: boolean },
) =>
  isReturn
    ? api.post('/api/returns/{id}/labels', { path: { id }, body })
    : api.post('/api/shipments/{id}/labels', { path: { id }, body: { ...body, despite } })

/** Of many shipments and returns. */
export const makeLabelsOfMany = (sourceIds: number[]) => api.post('/api/labels', { body: { sourceIds } })

export const giveLabelsBack = (labelIds: number[]) =>
  api.post('/api/labels/give-back', { body: { labelIds } })
