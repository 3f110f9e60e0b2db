import { day, id, Joi, name, text } from '../../http/checks'
import { route } from '../../http/route'
import { writeOrder, type WrittenOrder } from '../../services/orders/new-order'
import { line, orderExtras } from './order.check'

/** A new order; what is left out is as the customer or the company has it. */
export default route<object, object, WrittenOrder>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId], customers: [body.customerId] }),
    body: Joi.object({
      number: name(30).allow(''),
      brandId: id.required(),
      customerId: id.required(),
      date: day,
      status: text(40),
      reference: text(80).allow('', null).default(null),
      customerNote: text(1000).allow('', null).default(null),
      salesperson: name(80).allow(''),
      fields: Joi.object().pattern(text(60), text(200).allow('')),
      ...orderExtras,
      lines: Joi.array().items(line).min(1).max(1000).required(),
    }),
  },
  ({ body, user }) => writeOrder(body, user),
)
