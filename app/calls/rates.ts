import { api, type BodyOf } from '../composables/api'

export const fetchRates = () => api.get('/api/rates')

export const keepRates = (body: BodyOf<'/api/rates', 'post'>) => api.post('/api/rates', { body })
