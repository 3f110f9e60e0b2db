import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { dropSender } from '../../services/house/senders'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await dropSender(params.id)
    return { ok: true }
  },
)
