import { Joi, page, text } from '../../http/checks'
import { route } from '../../http/route'
import { type AccountFilter } from '../../services/receivables/accounts'
import { accounts } from '../../services/receivables/accounts-queries'

/** Customers with something open. */
export default route<object, AccountFilter>(
  {
    role: 'reader',
    brands: 'own',
    query: Joi.object({
      search: text(100).allow(''),
      only: Joi.valid('overdue', 'credit'),
      sort: Joi.valid('overdue', 'name', 'balance').default('overdue'),
      descending: Joi.boolean().default(true),
      ...page,
    }),
  },
  ({ query, user }) => accounts(query, user),
)
