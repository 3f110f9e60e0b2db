import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { revokeToken } from '../../services/people/tokens'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await revokeToken(params.id)
    return { ok: true }
  },
)
