import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import type { ReturnFilter, ReturnRow } from '../../services/shipping/return-list'
import { listReturns } from '../../services/shipping/return-list-queries'
import { returnFilter } from './return.check'

/** Returns as CSV, as they are filtered and sorted. */
export default route<object, ReturnFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(returnFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'returns',
      csvPages<ReturnRow, Record<string, string>>(
        [
          'return',
          'order',
          'customer',
          'brand',
          'agreed',
          'until',
          'state',
          'back',
          'quantity',
          'reasons',
          'way',
          'credits',
        ],
        (place) => listReturns({ ...query, ...place }, user),
        (row) => ({
          return: row.label,
          order: row.orderNumber,
          customer: row.customerName,
          brand: row.brand,
          agreed: row.day,
          until: row.until,
          state: row.state,
          back: row.backOn ?? '',
          quantity: row.quantity,
          reasons: row.reasons,
          way: row.way ?? '',
          credits: row.credits.join(', '),
        }),
      ),
    ),
)
