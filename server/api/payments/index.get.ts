import { Joi, page, text } from '../../checks'
import { route } from '../../route'
import { listPayments, type PaymentFilter } from '../../services/receivables/accounts'

/** Payments and refunds, newest first. */
export default route<object, PaymentFilter>({
  role: 'reader', query: Joi.object({ search: text(100).allow(''), direction: Joi.valid('in', 'out'), onAccount: Joi.boolean(), ...page }),
}, ({ query }) => listPayments(query))
