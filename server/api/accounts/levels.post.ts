import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { levelsDue } from '../../services/receivables/levels-due'
import type { AccountKey } from '../../services/receivables/statements'
import { account } from '../statements/statement.check'

/** Which of these accounts have a reminder due today, and at which level. Writes nothing. */
export default route<object, object, { accounts: AccountKey[] }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ body }) => ({ customers: body.accounts.map((one) => one.customerId) }),
    body: Joi.object({ accounts: Joi.array().items(account).min(1).max(200).required() }),
  },
  ({ body, user }) => levelsDue(body.accounts, user),
)
