import { api, type BodyOf } from '../composables/api'

export const fetchPeriods = () => api.get('/api/periods')

export const closePeriods = (body: BodyOf<'/api/periods', 'post'>) => api.post('/api/periods', { body })
