import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { voidDocument } from '../../../services/documents/void'

export default route<{ id: number }, object, { reason: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ reason: text(300).required() }),
  },
  async ({ params, body, user }) => {
    await voidDocument(params.id, body.reason, user)
    return { ok: true }
  },
)
