import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { planReturn } from '../../../services/shipping/returns'

/** What of an order could come back, from whom and where to. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => planReturn(params.id),
)
