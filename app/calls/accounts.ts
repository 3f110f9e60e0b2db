import { api, type BodyOf } from '../composables/api'

export const fetchAccount = (id: number) => api.get('/api/accounts/{id}', { path: { id } })

export const fetchAccountChoices = () => api.get('/api/accounts/choices')

export const fetchTakenOver = () => api.get('/api/open-items/taken-over')

export const keepTrialBalance = (body: BodyOf<'/api/open-items/trial-balance', 'put'>) =>
  api.put('/api/open-items/trial-balance', { body })
