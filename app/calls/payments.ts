import { api, type BodyOf } from '../composables/api'

export const prepareReceipt = (id: number) =>
  api.post('/api/payments/{id}/receipt', { path: { id }, body: {} })

export const undoPayment = (id: number, body: BodyOf<'/api/payments/{id}/undo', 'post'>) =>
  api.post('/api/payments/{id}/undo', { path: { id }, body })

export const allocatePayment = (id: number, body: BodyOf<'/api/payments/{id}/allocate', 'post'>) =>
  api.post('/api/payments/{id}/allocate', { path: { id }, body })

export const recordPayment = (body: BodyOf<'/api/payments', 'post'>) => api.post('/api/payments', { body })
