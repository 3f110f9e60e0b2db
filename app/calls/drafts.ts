import { api, type BodyOf } from '../composables/api'

export const beginInvoice = (body: BodyOf<'/api/drafts', 'post'>) => api.post('/api/drafts', { body })
