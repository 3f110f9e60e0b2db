import { api, type BodyOf } from '../composables/api'

/** What a file hangs on; nothing for a standing one of the house. */
export interface HangsOn {
  order?: number
  customer?: number
  item?: number
}

export function fetchEnclosures({ order, customer, item }: HangsOn) {
  if (order !== undefined) return api.get('/api/orders/{id}/enclosures', { path: { id: order } })
  if (customer !== undefined) return api.get('/api/customers/{id}/enclosures', { path: { id: customer } })
  if (item !== undefined) return api.get('/api/items/{id}/enclosures', { path: { id: item } })
  return api.get('/api/enclosures')
}

export function addEnclosure(
  { order, customer, item }: HangsOn,
  body: BodyOf<'/api/enclosures', 'post'>,
): Promise<unknown> {
  if (order !== undefined) return api.post('/api/orders/{id}/enclosures', { path: { id: order }, body })
  if (customer !== undefined)
    return api.post('/api/customers/{id}/enclosures', { path: { id: customer }, body })
  if (item !== undefined) return api.post('/api/items/{id}/enclosures', { path: { id: item }, body })
  return api.post('/api/enclosures', { body })
}

/** A file for one email; it goes once the email that names it is kept. */
export const addForOnce = (prepared: number, body: BodyOf<'/api/prepared/{id}/enclosures', 'post'>) =>
  api.post('/api/prepared/{id}/enclosures', { path: { id: prepared }, body })

export const changeEnclosure = (id: number, body: BodyOf<'/api/enclosures/{id}', 'put'>) =>
  api.put('/api/enclosures/{id}', { path: { id }, body })

export const dropEnclosure = (id: number) => api.delete('/api/enclosures/{id}', { path: { id } })
