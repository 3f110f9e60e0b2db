import { api, type BodyOf } from '../composables/api'

/** What a file hangs on; nothing for a standing one of the house. */
export interface HangsOn {
  order?: number
  customer?: number
}

export const fetchEnclosures = ({ order, customer }: HangsOn) =>
  order !== undefined
    ? api.get('/api/orders/{id}/enclosures', { path: { id: order } })
    : customer !== undefined
      ? api.get('/api/customers/{id}/enclosures', { path: { id: customer } })
      : api.get('/api/enclosures')

export const addEnclosure = (
  { order, customer }: HangsOn,
  body: BodyOf<'/api/enclosures', 'post'>,
): Promise<unknown> =>
  order !== undefined
    ? api.post('/api/orders/{id}/enclosures', { path: { id: order }, body })
    : customer !== undefined
      ? api.post('/api/customers/{id}/enclosures', { path: { id: customer }, body })
      : api.post('/api/enclosures', { body })

/** A file for one email; it goes once the email that names it is kept. */
export const addForOnce = (prepared: number, body: BodyOf<'/api/prepared/{id}/enclosures', 'post'>) =>
  api.post('/api/prepared/{id}/enclosures', { path: { id: prepared }, body })

export const changeEnclosure = (id: number, body: BodyOf<'/api/enclosures/{id}', 'put'>) =>
  api.put('/api/enclosures/{id}', { path: { id }, body })

export const dropEnclosure = (id: number) => api.delete('/api/enclosures/{id}', { path: { id } })
