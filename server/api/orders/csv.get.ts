import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { orderFilter } from './list.check'
import { route } from '../../http/route'
import { ownFields } from '../../services/fields/own-fields'
import { type OrderFilter, type OrderRow } from '../../services/orders/list'
import { listOrders } from '../../services/orders/list-queries'

const columns = [
  'number',
  'date',
  'customer',
  'group',
  'brand',
  'branch',
  'status',
  'reference',
  'salesperson',
  'total',
  'currency',
  'invoice',
]

/** Orders as CSV, as they are filtered and sorted, with the house's own fields. */
export default route<object, OrderFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(orderFilter) },
  async ({ event, query, user }) => {
    const own = (await ownFields('order')).map(({ name }) => name)
    return csvAnswer(
      event,
      'orders',
      csvPages<OrderRow, Record<string, string>>(
        [...columns, ...own],
        (place) => listOrders({ ...query, ...place }, user),
        ({ customerName, groupName, reference, invoice, fields, ...row }) => ({
          ...Object.fromEntries(own.map((name) => [name, fields[name] ?? ''])),
          number: row.number,
          date: row.date,
          customer: customerName,
          group: groupName,
          brand: row.brand,
          branch: row.branch,
          status: row.status,
          reference: reference ?? '',
          salesperson: row.salesperson,
          total: row.total,
          currency: row.currency,
          invoice: invoice ?? '',
        }),
      ),
    )
  },
)
