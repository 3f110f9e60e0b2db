import { ids, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { decideByHand } from '../../services/dispatch/by-hand'

export default route<object, object, { ids: number[]; act: 'confirm' | 'print' | 'close'; reason: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ dispatches: body.ids }),
    body: Joi.object({
      ids,
      act: Joi.valid('confirm', 'print', 'close').required(),
      reason: text(200).allow('').default(''),
    }),
  },
  async ({ body, user }) => ({ ids: await decideByHand(body.ids, body.act, body.reason, user) }),
)
