import { api, type BodyOf, type QueryOf } from '../composables/api'

export const findItems = (query: QueryOf<'/api/items/find', 'get'>) => api.get('/api/items/find', { query })

export const fetchOptions = (body: BodyOf<'/api/items/options', 'post'>) =>
  api.post('/api/items/options', { body })

export const addItem = (body: BodyOf<'/api/items', 'post'>) => api.post('/api/items', { body })

export const changeItem = (id: number, body: BodyOf<'/api/items/{id}', 'put'>) =>
  api.put('/api/items/{id}', { path: { id }, body })

export const fetchItem = (id: number) => api.get('/api/items/{id}', { path: { id } })
