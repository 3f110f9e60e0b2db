import { payment } from './payment.check'
import { route } from '../../http/route'
import { recordPayment, type NewPayment } from '../../services/receivables/payments'

/** Records a payment or refund with what it settles; what settles nothing stays on the customer's account. */
export default route<object, object, NewPayment>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({
      customers: [body.customerId],
      documents: body.settle.map((one) => one.documentId),
      sources: (body.giveBack ?? []).map((one) => one.paymentId),
    }),
    body: payment,
  },
  async ({ body, user }) => ({ id: await recordPayment(body, user) }),
)
