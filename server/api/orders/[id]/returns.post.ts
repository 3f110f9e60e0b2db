import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { agreeReturn, type NewReturn } from '../../../services/shipping/returns'
import { coming, comingBack } from '../../returns/return.check'

/** Agrees that goods of an order come back. */
export default route<{ id: number }, object, NewReturn>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      lines: coming.required(),
      ...comingBack,
      /** Labels are bought for it. */
      withLabels: Joi.boolean().default(true),
      /** Its note goes to the customer by itself, once it is there. */
      write: Joi.boolean().default(true),
    }),
  },
  async ({ params, body, user }) => ({ returnId: await agreeReturn(params.id, body, user) }),
)
