import { api, type BodyOf } from '../composables/api'

export const markItem = (id: number, body: BodyOf<'/api/open-items/{id}', 'patch'>) =>
  api.patch('/api/open-items/{id}', { path: { id }, body })

export const waive = (id: number, body: BodyOf<'/api/open-items/{id}/waived', 'post'>) =>
  api.post('/api/open-items/{id}/waived', { path: { id }, body })

export const takeWaiverBack = (id: number, amount: string) =>
  api.delete('/api/open-items/{id}/waived', { path: { id }, query: { amount } })

export const setLevelBack = (id: number, body: BodyOf<'/api/open-items/{id}/level-back', 'post'>) =>
  api.post('/api/open-items/{id}/level-back', { path: { id }, body })
