import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { statementRun, stopStatements } from '../../../services/receivables/statements'

/** What still waits of a run of statements is not made any more. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', params: idParam, body: Joi.object({}) },
  async ({ params, user }) => {
    await stopStatements(params.id, user)
    return statementRun(params.id, user)
  },
)
