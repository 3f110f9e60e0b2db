import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { stuckByAddress } from '../../services/dispatch/correct'

/**
 * The emails that are stuck because of an address, each with whether it is still wanted: paid and old ones
 * are not suggested.
 */
export default route<object, { address: string }>(
  { role: 'reader', brands: 'own', query: Joi.object({ address: text(320).required() }) },
  async ({ query, user }) => ({ rows: await stuckByAddress(query.address, user) }),
)
