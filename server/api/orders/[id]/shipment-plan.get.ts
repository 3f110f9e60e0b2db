import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { planShipment } from '../../../services/shipping/pack'

/** What of an order is left to ship, and how that would be packed. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => planShipment(params.id),
)
