import { day, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { reconciliationOf } from '../../../services/register/reconciliation'

/**
 * The proof of a day: issued = numbered = painted = sent or printed = arrived, posted = open + paid +
 * credited, and every difference.
 */
export default route<object, { day: string }>(
  { role: 'reader', brands: 'own', query: Joi.object({ day: day.required() }) },
  ({ query, user }) => reconciliationOf(query.day, user),
)
