import { api, type BodyOf } from '../composables/api'

export const fetchOwnFields = () => api.get('/api/own-fields')

export const addOwnField = (body: BodyOf<'/api/own-fields', 'post'>) => api.post('/api/own-fields', { body })

export const changeOwnField = (id: number, body: BodyOf<'/api/own-fields/{id}', 'put'>) =>
  api.put('/api/own-fields/{id}', { path: { id }, body })

export const dropOwnField = (id: number) => api.delete('/api/own-fields/{id}', { path: { id } })
