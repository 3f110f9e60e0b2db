import { dispatchStages } from '../../../core/dispatch/states'
import { day, Joi, kind, page, text } from '../../http/checks'
import { route } from '../../http/route'
import { type DispatchFilter } from '../../services/dispatch/list'
import { listDispatches } from '../../services/dispatch/queries'

/** All emails and print jobs, newest first: by address, state, kind, words and days. */
export default route<object, DispatchFilter>(
  {
    role: 'reader',
    brands: 'own',
    query: Joi.object({
      address: text(320).allow(''),
      state: Joi.valid(...dispatchStages, ''),
      kind: kind.allow(''),
      text: text(200).allow(''),
      from: day.allow(''),
      to: day.allow(''),
      copies: Joi.boolean(),
      ...page,
    }),
  },
  ({ query, user }) => listDispatches(query, user),
)
