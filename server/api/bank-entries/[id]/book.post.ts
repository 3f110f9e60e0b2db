import type { Settlement } from '../../../../core/receivables/settle'
import { id, idParam, Joi } from '../../../http/checks'
import { settle } from '../../payments/payment.check'
import { route } from '../../../http/route'
import { bookEntry } from '../../../services/receivables/bank-booking'

/** Books one movement as a person decided it. */
export default route<{ id: number }, object, { customerId: number; settle: Settlement[] }>(
  {
    role: 'clerk',
    brands: 'all',
    params: idParam,
    body: Joi.object({ customerId: id.required(), settle: settle.default([]) }),
  },
  async ({ params, body, user }) => ({ paymentId: await bookEntry(params.id, body, user) }),
)
