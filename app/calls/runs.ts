import { api } from '../composables/api'

/** Takes a Send back in its undo time, or stops it between two batches. */
export const controlRun = (id: number, act: 'stop' | 'take-back') =>
  act === 'stop'
    ? api.post('/api/runs/{id}/stop', { path: { id }, body: {} })
    : api.post('/api/runs/{id}/take-back', { path: { id }, body: {} })
