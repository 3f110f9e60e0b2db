import { route } from '../../http/route'
import { latestStatementRuns } from '../../services/receivables/statements'

/** The newest runs of statements, with how many of each still wait. */
export default route({ role: 'reader', brands: 'own' }, async ({ user }) => ({
  runs: await latestStatementRuns(user),
}))
