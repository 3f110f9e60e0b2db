import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import type { LabelFilter, LabelRow } from '../../services/shipping/label-list'
import { listLabels } from '../../services/shipping/label-list-queries'
import { labelFilter } from './label.check'

/** Labels as CSV, as they are filtered. */
export default route<object, LabelFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(labelFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'labels',
      csvPages<LabelRow, Record<string, string>>(
        [
          'shipment',
          'parcel',
          'order',
          'customer',
          'brand',
          'carrier',
          'service',
          'state',
          'failure',
          'price',
          'currency',
          'tracking',
          'way',
          'asked',
        ],
        (place) => listLabels({ ...query, ...place }, user),
        (row) => ({
          shipment: row.shipment,
          parcel: `${row.parcel}/${row.parcels}`,
          order: row.orderNumber,
          customer: row.customerName,
          brand: row.brand,
          carrier: row.carrier,
          service: row.service,
          state: row.state,
          failure: row.failure ?? '',
          price: row.price ?? '',
          currency: row.currency ?? '',
          tracking: row.tracking,
          way: row.way ?? '',
          asked: row.askedAt.toISOString(),
        }),
      ),
    ),
)
