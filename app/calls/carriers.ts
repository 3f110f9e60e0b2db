import { api, type BodyOf } from '../composables/api'

export const fetchCarriers = () => api.get('/api/carriers')

export const addCarrier = (body: BodyOf<'/api/carriers', 'post'>) => api.post('/api/carriers', { body })

export const changeCarrier = (id: number, body: BodyOf<'/api/carriers/{id}', 'put'>) =>
  api.put('/api/carriers/{id}', { path: { id }, body })

export const removeCarrier = (id: number, version: number) =>
  api.delete('/api/carriers/{id}', { path: { id }, query: { version } })
