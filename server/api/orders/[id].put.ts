import { decimal, id, idParam, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { editOrder, type OrderEdit } from '../../services/orders/orders'

const line = Joi.object({
  item: text(40).allow('').required(),
  description: text(400).required(),
  detail: text(400).allow('', null).default(null),
  unit: text(12).allow('').default(''),
  quantity: decimal.required(),
  unitPrice: decimal.required(),
  discountPercent: decimal.default('0'),
  taxCode: text(30).required(),
})

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
      lines: Joi.array().items(line).min(1).max(1000).required(),
    }),
  },
  async ({ params, body, user }) => ({ version: await editOrder(params.id, body, user) }),
)
