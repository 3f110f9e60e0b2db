import { Joi, page } from '../../http/checks'
import { route } from '../../http/route'
import { type AccountFilter } from '../../services/receivables/accounts'
import { accounts } from '../../services/receivables/accounts-queries'
import { accountFilter, accountSort } from './filter.check'

/** Customers with something open. */
export default route<object, AccountFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...accountFilter, ...accountSort, ...page }) },
  ({ query, user }) => accounts(query, user),
)
