import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { moneyFigures } from '../../services/receivables/money-figures'

/** How fast money comes: what was owed by age at each month's end, days outstanding, what reminders brought. */
export default route<object, { currency: string }>(
  {
    role: 'reader',
    brands: 'own',
    query: Joi.object({ currency: Joi.string().length(3).uppercase().allow('').default('') }),
  },
  ({ query, user }) => moneyFigures(query.currency, user),
)
