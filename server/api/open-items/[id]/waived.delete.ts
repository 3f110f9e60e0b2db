import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeWaiverBack } from '../../../services/receivables/waive'

/** What was waived of a document is open again. */
export default route<{ id: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
  },
  async ({ params, user }) => {
    await takeWaiverBack(params.id, user)
    return { ok: true }
  },
)
