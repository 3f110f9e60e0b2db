import { api, type BodyOf } from '../composables/api'

export const fetchStandingTexts = () => api.get('/api/standing-texts')

export const addStandingText = (body: BodyOf<'/api/standing-texts', 'post'>) =>
  api.post('/api/standing-texts', { body })

export const changeStandingText = (id: number, body: BodyOf<'/api/standing-texts/{id}', 'put'>) =>
  api.put('/api/standing-texts/{id}', { path: { id }, body })

export const dropStandingText = (id: number) => api.delete('/api/standing-texts/{id}', { path: { id } })
