import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { orderFilter } from './list.check'
import { route } from '../../http/route'
import { type OrderFilter } from '../../services/orders/list'
import { listOrders } from '../../services/orders/list-queries'

/** Orders as CSV, as they are filtered and sorted. */
export default route<object, OrderFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(orderFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'orders',
      csvPages(
        [
          'number',
          'date',
          'customer',
          'group',
          'brand',
          'status',
          'reference',
          'salesperson',
          'total',
          'currency',
          'invoice',
        ],
        (place) => listOrders({ ...query, ...place }, user),
        ({
          number,
          date,
          customerName,
          groupName,
          brand,
          status,
          reference,
          salesperson,
          total,
          currency,
          invoice,
        }) => ({
          number,
          date,
          customer: customerName,
          group: groupName,
          brand,
          status,
          reference: reference ?? '',
          salesperson,
          total,
          currency,
          invoice: invoice ?? '',
        }),
      ),
    ),
)
