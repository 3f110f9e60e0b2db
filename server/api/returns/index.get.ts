import { Joi, page } from '../../http/checks'
import { route } from '../../http/route'
import type { ReturnFilter } from '../../services/shipping/return-list'
import { listReturns } from '../../services/shipping/return-list-queries'
import { returnFilter } from './return.check'

/** One page of returns, with the count of all that match. */
export default route<object, ReturnFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...returnFilter, ...page }) },
  ({ query, user }) => listReturns(query, user),
)
