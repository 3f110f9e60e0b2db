import { api, type BodyOf } from '../composables/api'

export const fetchTaxCodes = () => api.get('/api/tax-codes')

export const keepTaxCode = (body: BodyOf<'/api/tax-codes', 'put'>) => api.put('/api/tax-codes', { body })
