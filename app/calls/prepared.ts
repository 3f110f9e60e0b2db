import { api, type BodyOf } from '../composables/api'

export const prepareDocuments = (body: BodyOf<'/api/prepared/prepare', 'post'>) =>
  api.post('/api/prepared/prepare', { body })

export const checkSend = (body: BodyOf<'/api/prepared/send-check', 'post'>) =>
  api.post('/api/prepared/send-check', { body })

/** Asks that a second person sends documents, or takes that back. */
export const askSecond = (body: BodyOf<'/api/prepared/ask', 'post'>) =>
  api.post('/api/prepared/ask', { body })

export const sendPrepared = (body: BodyOf<'/api/prepared/send', 'post'>) =>
  api.post('/api/prepared/send', { body })

export const fetchPrepared = (id: number) => api.get('/api/prepared/{id}', { path: { id } })

export const sendPreparedToMe = (id: number) =>
  api.post('/api/prepared/{id}/to-me', { path: { id }, body: {} })

export const markSeen = (id: number, body: BodyOf<'/api/prepared/{id}/seen', 'post'>) =>
  api.post('/api/prepared/{id}/seen', { path: { id }, body })

export const chooseRecipients = (id: number, body: BodyOf<'/api/prepared/{id}/recipients', 'put'>) =>
  api.put('/api/prepared/{id}/recipients', { path: { id }, body })

/** What the email says this once; null is what the house says. */
export const writeEmail = (id: number, body: BodyOf<'/api/prepared/{id}/email', 'put'>) =>
  api.put('/api/prepared/{id}/email', { path: { id }, body })

export const putBack = (ids: number[]) => api.post('/api/prepared/put-back', { body: { ids } })

/** Takes documents off To send, or puts them on again. */
export const dropPrepared = (body: BodyOf<'/api/prepared/drop', 'post'>) =>
  api.post('/api/prepared/drop', { body })

/** What a document can be made with this once. */
export const fetchMadeWith = (id: number) => api.get('/api/prepared/{id}/made-with', { path: { id } })

export const makeWith = (id: number, body: BodyOf<'/api/prepared/{id}/made-with', 'put'>) =>
  api.put('/api/prepared/{id}/made-with', { path: { id }, body })
