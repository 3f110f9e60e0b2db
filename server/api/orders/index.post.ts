import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { writeOrder, type WrittenOrder } from '../../services/orders/new-order'
import { newOrder } from './order.check'

/** A new order; what is left out is as the customer or the company has it. */
export default route<object, object, WrittenOrder>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId], customers: [body.customerId] }),
    body: Joi.object(newOrder),
  },
  ({ body, user }) => writeOrder(body, user),
)
