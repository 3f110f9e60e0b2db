import { Joi, page } from '../../http/checks'
import { orderFilter } from './list.check'
import { route } from '../../http/route'
import { type OrderFilter } from '../../services/orders/list'
import { listOrders } from '../../services/orders/list-queries'

/** One page of orders, with the count and sums of all that match. */
export default route<object, OrderFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...orderFilter, ...page }) },
  ({ query, user }) => listOrders(query, user),
)
