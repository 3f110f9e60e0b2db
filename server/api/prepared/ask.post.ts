import { id, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { askSecond } from '../../services/documents/second-look'

interface Ask {
  papers: { id: number; revision: number }[]
  back: boolean
}

/** Asks that a second person sends documents, as they were looked at; or takes that back. */
export default route<object, object, Ask>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ prepared: body.papers.map((one) => one.id) }),
    body: Joi.object({
      papers: Joi.array()
        .items(Joi.object({ id: id.required(), revision: id.required() }))
        .min(1)
        .max(5000)
        .required(),
      back: Joi.boolean().default(false),
    }),
  },
  async ({ body, user }) => ({ asked: await askSecond(body.papers, user, body.back) }),
)
