import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { undoPayment } from '../../../services/receivables/undo-payment'

/** Takes a payment back by a counter-entry. */
export default route<{ id: number }, object, { reason: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({ reason: text(200).required() }),
  },
  async ({ params, body, user }) => ({ id: await undoPayment(params.id, body.reason, user) }),
)
