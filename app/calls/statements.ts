import { api, type BodyOf } from '../composables/api'

/** The statements of one customer, prepared now. */
export const prepareStatements = (body: BodyOf<'/api/statements/prepare', 'post'>) =>
  api.post('/api/statements/prepare', { body })

/** Statements of many accounts, prepared in the background. */
export const startStatements = (body: BodyOf<'/api/statements', 'post'>) =>
  api.post('/api/statements', { body })

/** The newest runs, with what came of their accounts. */
export const fetchStatementRuns = () => api.get('/api/statements')

export const fetchStatementRun = (id: number) => api.get('/api/statements/{id}', { path: { id } })

export const stopStatements = (id: number) =>
  api.post('/api/statements/{id}/stop', { path: { id }, body: {} })
