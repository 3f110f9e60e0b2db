import { ids, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { drop, undrop } from '../../services/documents/prepare-by-hand'

/** Takes papers off To send with a reason, or puts them on again (undo). */
export default route<object, object, { ids: number[]; reason: string; undo: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ prepared: body.ids }),
    body: Joi.object({ ids, reason: text(200).default('not wanted'), undo: Joi.boolean().default(false) }),
  },
  async ({ body, user }) => {
    if (body.undo) {
      await undrop(body.ids, user)
      return { ids: body.ids }
    }
    return { ids: await drop(body.ids, body.reason, user) }
  },
)
