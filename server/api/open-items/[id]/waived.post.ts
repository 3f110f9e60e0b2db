import { decimal, idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { waive, type Waiver } from '../../../services/receivables/waive'

/** Waives what is open of a document, or a part of it, with a reason. */
export default route<{ id: number }, object, Waiver>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ open: decimal.required(), amount: decimal.required(), reason: text(200).required() }),
  },
  async ({ params, body, user }) => {
    await waive(params.id, body, user)
    return { ok: true }
  },
)
