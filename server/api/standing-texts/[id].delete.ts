import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { dropStandingText } from '../../services/house/standing-texts'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'all', params: idParam },
  async ({ params }) => {
    await dropStandingText(params.id)
    return { ok: true }
  },
)
