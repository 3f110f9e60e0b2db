import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { turnsOfRoutine } from '../../../services/routines/turns'

/** The newest turns of a routine of the clock, each with what came of the accounts. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', params: idParam },
  async ({ params, user }) => ({ turns: await turnsOfRoutine(params.id, user) }),
)
