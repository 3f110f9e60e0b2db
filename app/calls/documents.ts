import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchCreditOffer = (id: number) => api.get('/api/documents/{id}/credit', { path: { id } })

export const creditSums = (id: number, body: BodyOf<'/api/documents/{id}/credit-sums', 'post'>) =>
  api.post('/api/documents/{id}/credit-sums', { path: { id }, body })

export const creditDocument = (id: number, body: BodyOf<'/api/documents/{id}/credit', 'post'>) =>
  api.post('/api/documents/{id}/credit', { path: { id }, body })

export const searchDocuments = (query: QueryOf<'/api/documents', 'get'>) =>
  api.get('/api/documents', { query })

export const sendDocument = (id: number, body: BodyOf<'/api/documents/{id}/send', 'post'> = {}) =>
  api.post('/api/documents/{id}/send', { path: { id }, body })

export const fetchDocument = (id: number, query: QueryOf<'/api/documents/{id}', 'get'>) =>
  api.get('/api/documents/{id}', { path: { id }, query })

export const voidDocument = (id: number, body: BodyOf<'/api/documents/{id}/void', 'post'>) =>
  api.post('/api/documents/{id}/void', { path: { id }, body })

export const sendDocumentToMe = (id: number) =>
  api.post('/api/documents/{id}/to-me', { path: { id }, body: {} })

export const changeLinks = (id: number, body: BodyOf<'/api/documents/{id}/links', 'post'>) =>
  api.post('/api/documents/{id}/links', { path: { id }, body })

/** A copy as it would go, and whom it could go to. */
export type CopyPurpose = BodyOf<'/api/documents/{id}/copy', 'post'>['purpose']

/** @param text whose email text it has: a variant, 0 for the brand's own; nothing as its customer has it */
export const fetchCopy = (id: number, purpose: CopyPurpose, text?: number) =>
  api.get('/api/documents/{id}/copy', { path: { id }, query: { purpose, text } })

export const sendCopy = (id: number, body: BodyOf<'/api/documents/{id}/copy', 'post'>) =>
  api.post('/api/documents/{id}/copy', { path: { id }, body })
