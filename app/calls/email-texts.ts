import { api, type BodyOf, type QueryOf } from '../composables/api'

export const previewEmailText = (body: BodyOf<'/api/brands/email-text-preview', 'post'>) =>
  api.post('/api/brands/email-text-preview', { body })

/** Every version of a brand's email text, newest first. */
export const fetchEmailVersions = (id: number, query: QueryOf<'/api/brands/{id}/email-versions', 'get'>) =>
  api.get('/api/brands/{id}/email-versions', { path: { id }, query })

/** Keeps a picture for emails; the same one is kept once. @param picture base64 */
export const keepEmailPicture = (picture: string) => api.post('/api/email-pictures', { body: { picture } })

/** Where a kept picture is had, to be shown while one writes. */
export const emailPictureUrl = (sha256: string): string => `/api/email-pictures/${sha256}`
