import { Joi, page } from '../../http/checks'
import { paymentFilter } from './list.check'
import { route } from '../../http/route'
import { type PaymentFilter } from '../../services/receivables/accounts'
import { listPayments } from '../../services/receivables/accounts-queries'

/** Payments and refunds, newest first unless said otherwise. */
export default route<object, PaymentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...paymentFilter, ...page }) },
  ({ query, user }) => listPayments(query, user),
)
