import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendThisOnceTo } from '../../../services/documents/prepare-by-hand'

/** Whom a prepared document goes to this once; none is the customer's contacts again. */
export default route<{ id: number }, object, { addresses: string[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: Joi.object({ addresses: Joi.array().items(text(320)).max(20).unique().required() }),
  },
  async ({ params, body, user }) => {
    await sendThisOnceTo(params.id, body.addresses, user)
    return { ok: true }
  },
)
