import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchStuckByAddress = (query: QueryOf<'/api/dispatches/stuck-by-address', 'get'>) =>
  api.get('/api/dispatches/stuck-by-address', { query })

export const sendAgain = (body: BodyOf<'/api/dispatches/send-again', 'post'>) =>
  api.post('/api/dispatches/send-again', { body })

/** What became of emails and letters over so many days. */
export const fetchFigures = (query: QueryOf<'/api/dispatches/figures', 'get'>) =>
  api.get('/api/dispatches/figures', { query })

/** Holds, lets go, postpones or prints instead. */
export const keepBack = (body: BodyOf<'/api/dispatches/keep-back', 'post'>) =>
  api.post('/api/dispatches/keep-back', { body })

export const decideDispatches = (body: BodyOf<'/api/dispatches/decide', 'post'>) =>
  api.post('/api/dispatches/decide', { body })

/** What an email that has not left says this once; null is what the house says. */
export const writeWaitingEmail = (id: number, body: BodyOf<'/api/dispatches/{id}/email', 'put'>) =>
  api.put('/api/dispatches/{id}/email', { path: { id }, body })
