import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { prepareReceipt } from '../../../services/receivables/source'

/** Has the receipt of a payment or refund prepared; it then waits in To check. */
export default route<{ id: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({}),
  },
  ({ params, user }) => prepareReceipt(params.id, user),
)
