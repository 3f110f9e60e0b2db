import { api, type BodyOf, type QueryOf } from '../composables/api'

export const fetchRoutines = () => api.get('/api/routines')

/** The newest turns of a routine of the clock. */
export const fetchTurns = (id: number) => api.get('/api/routines/{id}/turns', { path: { id } })

export const fetchMissed = (id: number, query: QueryOf<'/api/routines/{id}/missed', 'get'>) =>
  api.get('/api/routines/{id}/missed', { path: { id }, query })

export const catchUp = (id: number, body: BodyOf<'/api/routines/{id}/catch-up', 'post'>) =>
  api.post('/api/routines/{id}/catch-up', { path: { id }, body })

export const tryRoutine = (body: BodyOf<'/api/routines/trial', 'post'>) =>
  api.post('/api/routines/trial', { body })
