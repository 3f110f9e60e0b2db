import { api, type BodyOf } from '../composables/api'

export const fetchMailAccounts = () => api.get('/api/mail-accounts')

export const addMailAccount = (body: BodyOf<'/api/mail-accounts', 'post'>) =>
  api.post('/api/mail-accounts', { body })

export const changeMailAccount = (id: number, body: BodyOf<'/api/mail-accounts/{id}', 'put'>) =>
  api.put('/api/mail-accounts/{id}', { path: { id }, body })

export const removeMailAccount = (id: number, version: number) =>
  api.delete('/api/mail-accounts/{id}', { path: { id }, query: { version } })

export const tryMailAccount = (body: BodyOf<'/api/mail-accounts/try', 'post'>) =>
  api.post('/api/mail-accounts/try', { body })
