import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { figures } from '../../services/dispatch/figures'

/** What became of emails and letters over so many days. */
export default route<object, { days: number }>(
  {
    role: 'reader',
    brands: 'own',
    query: Joi.object({ days: Joi.number().integer().min(7).max(366).default(30) }),
  },
  ({ query, user }) => figures(query.days, user),
)
