import { idParam } from '../../checks'
import { route } from '../../route'
import { removeSeries } from '../../services/house/series'

export default route<{ id: number }>({ role: 'supervisor', params: idParam }, async ({ params }) => {
  await removeSeries(params.id)
  return { ok: true }
})
