import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { brandUses } from '../../../services/house/retire-brand'

/** What still uses a brand, before it is retired. */
export default route<{ id: number }>({ role: 'supervisor', brands: 'all', params: idParam }, ({ params }) =>
  brandUses(params.id),
)
