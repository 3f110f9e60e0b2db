import { Joi, page } from '../../checks'
import { paymentFilter } from '../../list-checks'
import { route } from '../../route'
import { type PaymentFilter } from '../../services/receivables/accounts'
import { listPayments } from '../../services/receivables/accounts-queries'

/** Payments and refunds, newest first unless said otherwise. */
export default route<object, PaymentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...paymentFilter, ...page }) },
  ({ query, user }) => listPayments(query, user),
)
