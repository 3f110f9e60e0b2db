import { id, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { correctAddress } from '../../services/dispatch/correct'

/**
 * Corrects an address at every customer that has it and in copies that were asked for with it; the chosen
 * emails that are stuck because of it go again.
 */
export default route<object, object, { from: string; to: string; again: number[] }>(
  {
    role: 'clerk',
    brands: 'all',
    body: Joi.object({
      from: text(320).required(),
      to: text(320).required(),
      again: Joi.array().items(id).max(500).unique().default([]),
    }),
  },
  ({ body, user }) => correctAddress(body.from, body.to, body.again, user),
)
