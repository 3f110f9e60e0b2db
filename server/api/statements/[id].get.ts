import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { statementRun } from '../../services/receivables/statements'

/** What became of a run of statements. */
export default route<{ id: number }>({ role: 'reader', brands: 'own', params: idParam }, ({ params, user }) =>
  statementRun(params.id, user),
)
