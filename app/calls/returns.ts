import { api, type BodyOf, type QueryOf } from '../composables/api'

export const listReturns = (query: QueryOf<'/api/returns', 'get'>) => api.get('/api/returns', { query })

export const fetchReturn = (id: number) => api.get('/api/returns/{id}', { path: { id } })

export const planReturn = (orderId: number) =>
  api.get('/api/orders/{id}/return-plan', { path: { id: orderId } })

export const agreeReturn = (orderId: number, body: BodyOf<'/api/orders/{id}/returns', 'post'>) =>
  api.post('/api/orders/{id}/returns', { path: { id: orderId }, body })

export const changeReturn = (id: number, body: BodyOf<'/api/returns/{id}', 'put'>) =>
  api.put('/api/returns/{id}', { path: { id }, body })

/** What came back, with the drafts of credit notes for it. */
export const takeReturnIn = (id: number, body: BodyOf<'/api/returns/{id}/back', 'post'>) =>
  api.post('/api/returns/{id}/back', { path: { id }, body })

export const creditReturn = (id: number) => api.post('/api/returns/{id}/credit', { path: { id } })

export const withdrawReturn = (id: number, version: number) =>
  api.post('/api/returns/{id}/withdraw', { path: { id }, body: { version } })

export const reopenReturn = (id: number, version: number) =>
  api.post('/api/returns/{id}/reopen', { path: { id }, body: { version } })
