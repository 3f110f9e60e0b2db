import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { dropGroup } from '../../../services/customers/groups'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await dropGroup(params.id)
    return { ok: true }
  },
)
