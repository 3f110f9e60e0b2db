import { api, type BodyOf } from '../composables/api'

export const fetchSettings = () => api.get('/api/house/settings')

export const changeSettings = (body: BodyOf<'/api/house/settings', 'patch'>) =>
  api.patch('/api/house/settings', { body })

export const fetchHolidayRegions = () => api.get('/api/house/holiday-regions')

export const fetchConfirmation = () => api.get('/api/house/confirmation')

export const confirmHouse = () => api.post('/api/house/confirm', { body: {} })

export const resumeHouse = () => api.post('/api/house/resume', { body: {} })

export const setRehearsal = (body: BodyOf<'/api/house/rehearsal', 'post'>) =>
  api.post('/api/house/rehearsal', { body })

export const pauseHouse = (body: BodyOf<'/api/house/pause', 'post'>) => api.post('/api/house/pause', { body })

export const fetchLists = () => api.get('/api/house/lists')

export const changeLists = (body: BodyOf<'/api/house/lists', 'put'>) => api.put('/api/house/lists', { body })

export const fetchKinds = () => api.get('/api/house/kinds')

export const switchKind = (body: BodyOf<'/api/house/kinds', 'put'>) => api.put('/api/house/kinds', { body })
