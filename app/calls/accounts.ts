import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchAccount = (id: number) => api.get('/api/accounts/{id}', { path: { id } })

/** How fast money comes, in a currency. */
export const fetchMoneyFigures = (query: QueryOf<'/api/accounts/figures', 'get'>) =>
  api.get('/api/accounts/figures', { query })

/** Which accounts have a reminder due today, and at which level. */
export const fetchLevelsDue = (body: BodyOf<'/api/accounts/levels', 'post'>) =>
  api.post('/api/accounts/levels', { body })

export const fetchAccountChoices = () => api.get('/api/accounts/choices')

export const fetchTakenOver = () => api.get('/api/open-items/taken-over')

export const keepTrialBalance = (body: BodyOf<'/api/open-items/trial-balance', 'put'>) =>
  api.put('/api/open-items/trial-balance', { body })
