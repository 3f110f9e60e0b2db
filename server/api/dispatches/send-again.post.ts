import { ids, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { sendAgain } from '../../services/dispatch/by-hand'

/** Sends stuck emails again: to whoever is the right contact now, or this once to one address. */
export default route<object, object, { ids: number[]; to?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ dispatches: body.ids }),
    body: Joi.object({ ids, to: text(320) }),
  },
  async ({ body, user }) => ({ ids: await sendAgain(body.ids, user, body.to) }),
)
