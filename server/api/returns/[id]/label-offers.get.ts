import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { offersOf } from '../../../services/shipping/offers'

/** What services would cost by which the goods come back, and which they come by. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => offersOf(params.id),
)
