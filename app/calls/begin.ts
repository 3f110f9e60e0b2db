import { api, type BodyOf } from '../composables/api'

export const beginHouse = (body: BodyOf<'/api/first-visit', 'post'>) => api.post('/api/first-visit', { body })

export const foundCompany = (body: BodyOf<'/api/house', 'post'>) => api.post('/api/house', { body })

export const addBrand = (body: BodyOf<'/api/brands', 'post'>) => api.post('/api/brands', { body })

export const proposeColours = (logo: string) => api.post('/api/brands/logo-colours', { body: { logo } })

export const choosePassword = (body: BodyOf<'/api/session/choose-password', 'post'>) =>
  api.post('/api/session/choose-password', { body })

export const askForPassword = (email: string) => api.post('/api/session/forgotten', { body: { email } })
