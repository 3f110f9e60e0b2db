import { api, type BodyOf, type QueryOf } from '../composables/api'

export const searchCustomers = (query: QueryOf<'/api/customers', 'get'>) =>
  api.get('/api/customers', { query })

export const changeCustomer = (id: number, body: BodyOf<'/api/customers/{id}', 'patch'>) =>
  api.patch('/api/customers/{id}', { path: { id }, body })

export const fetchCustomer = (id: number) => api.get('/api/customers/{id}', { path: { id } })

export const changeContacts = (id: number, body: BodyOf<'/api/customers/{id}/contacts', 'put'>) =>
  api.put('/api/customers/{id}/contacts', { path: { id }, body })

export const changePreferences = (body: BodyOf<'/api/customers/preferences', 'post'>) =>
  api.post('/api/customers/preferences', { body })

export const bringPreferencesBack = (body: BodyOf<'/api/customers/preferences-back', 'post'>) =>
  api.post('/api/customers/preferences-back', { body })

export const correctAddress = (body: BodyOf<'/api/customers/correct-address', 'post'>) =>
  api.post('/api/customers/correct-address', { body })

export const addCustomer = (body: BodyOf<'/api/customers', 'post'>) => api.post('/api/customers', { body })

export const changeAddresses = (id: number, body: BodyOf<'/api/customers/{id}/addresses', 'put'>) =>
  api.put('/api/customers/{id}/addresses', { path: { id }, body })

export const fetchDefaults = () => api.get('/api/customers/defaults')

export const changeDefaults = (body: BodyOf<'/api/customers/defaults', 'put'>) =>
  api.put('/api/customers/defaults', { body })

export const addGroup = (body: BodyOf<'/api/customers/groups', 'post'>) =>
  api.post('/api/customers/groups', { body })

export const changeGroup = (id: number, body: BodyOf<'/api/customers/groups/{id}', 'put'>) =>
  api.put('/api/customers/groups/{id}', { path: { id }, body })

export const dropGroup = (id: number) => api.delete('/api/customers/groups/{id}', { path: { id } })

export const fetchAddressesToCheck = () => api.get('/api/customers/addresses')
