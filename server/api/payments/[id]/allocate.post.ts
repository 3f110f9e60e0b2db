import type { Settlement } from '../../../../core/receivables/settle'
import { idParam, Joi } from '../../../http/checks'
import { settle } from '../payment.check'
import { route } from '../../../http/route'
import { allocatePayment } from '../../../services/receivables/payments'

/** Books what lies on account on further documents. */
export default route<{ id: number }, object, { settle: Settlement[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params, body }) => ({
      sources: [params.id],
      documents: body.settle.map((one) => one.documentId),
    }),
    params: idParam,
    body: Joi.object({ settle: settle.min(1).required() }),
  },
  async ({ params, body, user }) => {
    await allocatePayment(params.id, body.settle, user)
    return { ok: true }
  },
)
