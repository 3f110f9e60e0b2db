import { api, type BodyOf } from '../composables/api'

export const bookEntry = (id: number, body: BodyOf<'/api/bank-entries/{id}/book', 'post'>) =>
  api.post('/api/bank-entries/{id}/book', { path: { id }, body })
