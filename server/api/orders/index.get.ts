import { decimal, Joi, page, text } from '../../checks'
import { route } from '../../route'
import { listOrders, type OrderFilter } from '../../services/orders/list'

export default route<object, OrderFilter>({
  role: 'reader',
  query: Joi.object({
    search: text(100).allow(''), statuses: Joi.array().items(text(40)).single().default([]), brand: text(10), over: decimal,
    sort: Joi.valid('date', 'number', 'customer', 'total', 'status').default('date'), descending: Joi.boolean().default(true), ...page,
  }),
}, ({ query }) => listOrders(query))
