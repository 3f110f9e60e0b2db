import { id, idParam, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { line, orderExtras } from './order.check'
import { editOrder, type OrderEdit } from '../../services/orders/orders'

export default route<{ id: number }, object, OrderEdit>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      reference: text(80).allow('', null).default(null),
      customerNote: text(1000).allow('', null).default(null),
      fields: Joi.object().pattern(text(60), text(200).allow('')),
      ...orderExtras,
      lines: Joi.array().items(line).min(1).max(1000).required(),
    }),
  },
  async ({ params, body, user }) => ({ version: await editOrder(params.id, body, user) }),
)
