import { api, type BodyOf } from '../composables/api'

export const previewEmailText = (body: BodyOf<'/api/brands/email-text-preview', 'post'>) =>
  api.post('/api/brands/email-text-preview', { body })
