import { api, type BodyOf } from '../composables/api'

export const fetchStaff = () => api.get('/api/staff')

export const invite = (body: BodyOf<'/api/staff', 'post'>) => api.post('/api/staff', { body })

export const inviteAgain = (id: number) => api.post('/api/staff/{id}/invite', { path: { id }, body: {} })

export const changeStaff = (id: number, body: BodyOf<'/api/staff/{id}', 'put'>) =>
  api.put('/api/staff/{id}', { path: { id }, body })

export const leaveHouse = (id: number, version: number) =>
  api.post('/api/staff/{id}/leave', { path: { id }, body: { version } })

export const changePassword = (body: BodyOf<'/api/session/password', 'put'>) =>
  api.put('/api/session/password', { body })

export const fetchDevices = () => api.get('/api/session/devices')

export const endDevice = (key: string) => api.delete('/api/session/devices/{key}', { path: { key } })

export const fetchSecondFactor = () => api.get('/api/session/second-factor')

export const newSecondFactor = () => api.post('/api/session/second-factor/new', { body: {} })

export const beginSecondFactor = (body: BodyOf<'/api/session/second-factor', 'post'>) =>
  api.post('/api/session/second-factor', { body })

export const endSecondFactor = (password: string) =>
  api.post('/api/session/second-factor/end', { body: { password } })
