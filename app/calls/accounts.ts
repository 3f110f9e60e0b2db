import { api } from '../composables/api'

export const fetchAccount = (id: number) => api.get('/api/accounts/{id}', { path: { id } })
