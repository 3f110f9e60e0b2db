import { decimal, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeWaiverBack } from '../../../services/receivables/waive'

/** A sum that was waived of a document is open again. */
export default route<{ id: number }, { amount: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    query: Joi.object({ amount: decimal.required() }).unknown(),
  },
  async ({ params, query, user }) => {
    await takeWaiverBack(params.id, query.amount, user)
    return { ok: true }
  },
)
