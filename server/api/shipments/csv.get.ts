import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import type { ShipmentFilter } from '../../services/shipping/list'
import { listShipments } from '../../services/shipping/list-queries'
import type { ShipmentRow } from '../../services/shipping/shipments'
import { shipmentFilter } from './shipment.check'

/** Shipments as CSV, as they are filtered and sorted. */
export default route<object, ShipmentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(shipmentFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'shipments',
      csvPages<ShipmentRow, Record<string, string>>(
        ['shipment', 'order', 'day', 'customer', 'brand', 'service', 'parcels', 'weight', 'state'],
        (place) => listShipments({ ...query, ...place }, user),
        (row) => ({
          shipment: row.label,
          order: row.orderNumber,
          day: row.day,
          customer: row.customerName,
          brand: row.brand,
          service: row.service,
          parcels: String(row.parcels),
          weight: row.weight ?? '',
          state: row.state,
        }),
      ),
    ),
)
