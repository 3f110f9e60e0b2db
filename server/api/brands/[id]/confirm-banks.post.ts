import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { confirmBanks } from '../../../services/documents/second-look'

/** Says that bank accounts are right that somebody else changed: documents that name them go again. */
export default route<{ id: number }>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
  },
  async ({ params, user }) => {
    await confirmBanks(params.id, user)
    return { ok: true }
  },
)
