import { ids, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { giveLabelsBack } from '../../services/shipping/give-back'

/** Gives labels back that nobody uses, and gives up those that could not be bought. */
export default route<object, object, { labelIds: number[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ labels: body.labelIds }),
    body: Joi.object({ labelIds: ids }),
  },
  async ({ body, user }) => {
    await giveLabelsBack(body.labelIds, user)
    return { ok: true }
  },
)
