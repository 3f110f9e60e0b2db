import { Joi, page } from '../../checks'
import { paymentFilter } from '../../list-checks'
import { route } from '../../route'
import { listPayments, type PaymentFilter } from '../../services/receivables/accounts'

/** Payments and refunds, newest first unless said otherwise. */
export default route<object, PaymentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...paymentFilter, ...page }) },
  ({ query, user }) => listPayments(query, user),
)
