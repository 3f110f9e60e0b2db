import { payment } from '../../payment-check'
import { route } from '../../route'
import { recordPayment, type NewPayment } from '../../services/receivables/payments'

/** Records a payment or refund with what it settles; what settles nothing stays on the customer's account. */
export default route<object, object, NewPayment>(
  { role: 'clerk', body: payment },
  async ({ body, user }) => ({ id: await recordPayment(body, user.name) }),
)
