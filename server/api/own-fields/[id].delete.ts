import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { dropOwnField } from '../../services/fields/own-fields'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await dropOwnField(params.id)
    return { ok: true }
  },
)
