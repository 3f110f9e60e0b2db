import { ids, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { setStatus, trySetStatus } from '../../services/orders/status'

interface Change {
  ids: number[]
  status: string
  letGo: boolean
  onlyTry: boolean
  undo: boolean
}

/**
 * Sets orders to a status. With onlyTry nothing is changed and the answer says what would be: which documents
 * are held, kept or taken out of Waiting.
 * With undo, what this person has just set is set back, whatever may follow what.
 * On return from a status that holds, letGo lets the emails taken out of Waiting go again; without it they stay held.
 */
export default route<object, object, Change>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ sources: body.ids }),
    body: Joi.object({
      ids,
      status: text(40).required(),
      letGo: Joi.boolean().default(true),
      onlyTry: Joi.boolean().default(false),
      undo: Joi.boolean().default(false),
    }),
  },
  ({ body: { ids, status, onlyTry, ...how }, user }) =>
    onlyTry ? trySetStatus(ids, status, user, how) : setStatus(ids, status, user, how),
)
