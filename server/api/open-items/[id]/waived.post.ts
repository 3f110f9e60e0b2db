import { decimal, idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { waive } from '../../../services/receivables/waive'

/** Waives what is open of a document, with a reason. */
export default route<{ id: number }, object, { open: string; reason: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ open: decimal.required(), reason: text(200).required() }),
  },
  async ({ params, body, user }) => {
    await waive(params.id, body, user)
    return { ok: true }
  },
)
