import { api, type BodyOf } from '../composables/api'

export const changeSeries = (id: number, body: BodyOf<'/api/series/{id}', 'put'>) =>
  api.put('/api/series/{id}', { path: { id }, body })

export const addSeries = (body: BodyOf<'/api/series', 'post'>) => api.post('/api/series', { body })

export const removeSeries = (id: number) => api.delete('/api/series/{id}', { path: { id } })
