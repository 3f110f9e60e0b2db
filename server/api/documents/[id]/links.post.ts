import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeLinks } from '../../../services/links/links'

/** Ends links that a document's emails lead to, or makes them good for as long as new ones. */
export default route<{ id: number }, object, { links: number[]; act: 'end' | 'lengthen' }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({
      links: Joi.array().items(id).min(1).max(50).required(),
      act: Joi.valid('end', 'lengthen').required(),
    }),
  },
  async ({ params, body, user }) => {
    await changeLinks(params.id, body.links, body.act, user)
    return { ok: true }
  },
)
