import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeBack } from '../../../services/documents/send-run'

export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', of: ({ params }) => ({ runs: [params.id] }), params: idParam },
  async ({ params, user }) => {
    await takeBack(params.id, user)
    return { ok: true }
  },
)
