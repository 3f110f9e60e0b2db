import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { dropEnclosure } from '../../services/enclosures/enclosures'
import { checkMayChange } from './may-change.check'

/** Takes a file away; emails that have left keep it. */
export default route<{ id: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ enclosures: [params.id] }),
    params: idParam,
  },
  async ({ params, user }) => {
    await checkMayChange(user, params.id)
    await dropEnclosure(params.id, user)
    return { ok: true }
  },
)
