import { api, type BodyOf } from '../composables/api'

export const fetchSenders = () => api.get('/api/senders')

export const addSender = (body: BodyOf<'/api/senders', 'post'>) => api.post('/api/senders', { body })

export const changeSender = (id: number, body: BodyOf<'/api/senders/{id}', 'put'>) =>
  api.put('/api/senders/{id}', { path: { id }, body })

export const dropSender = (id: number) => api.delete('/api/senders/{id}', { path: { id } })
