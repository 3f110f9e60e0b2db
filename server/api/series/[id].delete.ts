import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { removeSeries } from '../../services/house/series'

export default route<{ id: number }>(
  { role: 'supervisor', brands: 'own', of: ({ params }) => ({ series: [params.id] }), params: idParam },
  async ({ params }) => {
    await removeSeries(params.id)
    return { ok: true }
  },
)
