import { ids, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { hold, printInstead, sendLater } from '../../services/dispatch/by-hand'

/**
 * Holds waiting emails, lets them go, sets another time; or sends stuck ones to the print queue. An email of a
 * held or withdrawn order is let go alone, with despite.
 */
export default route<
  object,
  object,
  { ids: number[]; act: 'hold' | 'let go' | 'later' | 'print instead'; at?: Date; despite: boolean }
>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ dispatches: body.ids }),
    body: Joi.object({
      ids,
      despite: Joi.boolean().default(false),
      act: Joi.valid('hold', 'let go', 'later', 'print instead').required(),
      at: Joi.date().iso().when('act', { is: 'later', then: Joi.required() }),
    }),
  },
  async ({ body, user }) => {
    switch (body.act) {
      case 'later':
        return { ids: await sendLater(body.ids, body.at!, user) }
      case 'print instead':
        return { ids: await printInstead(body.ids, user) }
      default:
        return { ids: await hold(body.ids, body.act === 'hold', user, body.despite) }
    }
  },
)
