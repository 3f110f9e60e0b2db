import { idParam } from '../../checks'
import { route } from '../../route'
import { revokeToken } from '../../services/people/tokens'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await revokeToken(params.id)
    return { ok: true }
  },
)
