import { api, type BodyOf } from '../composables/api'

export const fetchVariants = () => api.get('/api/variants')

export const addVariant = (body: BodyOf<'/api/variants', 'post'>) => api.post('/api/variants', { body })

export const changeVariant = (id: number, body: BodyOf<'/api/variants/{id}', 'put'>) =>
  api.put('/api/variants/{id}', { path: { id }, body })

/** From now on the customers of a variant get the brand's own. */
export const giveUpOwn = (brandId: number, body: BodyOf<'/api/brands/{id}/give-up', 'post'>) =>
  api.post('/api/brands/{id}/give-up', { path: { id: brandId }, body })
