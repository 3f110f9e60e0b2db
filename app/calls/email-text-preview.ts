import { api, type BodyOf } from '../composables/api'

export const previewEmailText = (body: BodyOf<'/api/email-text-preview', 'post'>) =>
  api.post('/api/email-text-preview', { body })
