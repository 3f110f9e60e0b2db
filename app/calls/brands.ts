import { api, type BodyOf, type QueryOf } from '../composables/api'

export const changeBrand = (id: number, body: BodyOf<'/api/brands/{id}', 'patch'>) =>
  api.patch('/api/brands/{id}', { path: { id }, body })

export const changeLook = (id: number, body: BodyOf<'/api/brands/{id}/look', 'post'>) =>
  api.post('/api/brands/{id}/look', { path: { id }, body })

export const changeEmail = (id: number, body: BodyOf<'/api/brands/{id}/email', 'put'>) =>
  api.put('/api/brands/{id}/email', { path: { id }, body })

/** Where the emails of a kind go while its texts are tried; '' for real again. */
export const rehearseTexts = (id: number, body: BodyOf<'/api/brands/{id}/text-rehearsal', 'put'>) =>
  api.put('/api/brands/{id}/text-rehearsal', { path: { id }, body })

/** Says that bank accounts are right that somebody else changed. */
export const confirmBanks = (id: number) =>
  api.post('/api/brands/{id}/confirm-banks', { path: { id }, body: {} })

export const fetchBrands = (query: QueryOf<'/api/brands', 'get'>) => api.get('/api/brands', { query })

export const fetchBrandUses = (id: number) => api.get('/api/brands/{id}/uses', { path: { id } })

export const retireBrand = (id: number, body: BodyOf<'/api/brands/{id}/retire', 'post'>) =>
  api.post('/api/brands/{id}/retire', { path: { id }, body })
