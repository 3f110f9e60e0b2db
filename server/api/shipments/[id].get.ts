import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { shipmentView } from '../../services/shipping/shipments'

/** One shipment with its lines, parcels, documents and history. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => shipmentView(params.id),
)
