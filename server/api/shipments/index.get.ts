import { Joi, page } from '../../http/checks'
import { route } from '../../http/route'
import type { ShipmentFilter } from '../../services/shipping/list'
import { listShipments } from '../../services/shipping/list-queries'
import { shipmentFilter } from './shipment.check'

/** One page of shipments, with the count of all that match. */
export default route<object, ShipmentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...shipmentFilter, ...page }) },
  ({ query, user }) => listShipments(query, user),
)
