import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchAccount = (id: number) => api.get('/api/accounts/{id}', { path: { id } })

/** How fast money comes, in a currency. */
export const fetchMoneyFigures = (query: QueryOf<'/api/accounts/figures', 'get'>) =>
  api.get('/api/accounts/figures', { query })

export const fetchAccountChoices = () => api.get('/api/accounts/choices')

export const fetchTakenOver = () => api.get('/api/open-items/taken-over')

export const keepTrialBalance = (body: BodyOf<'/api/open-items/trial-balance', 'put'>) =>
  api.put('/api/open-items/trial-balance', { body })
