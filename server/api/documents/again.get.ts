import { setResponseHeaders } from 'h3'
import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { madeAgain, mostAgain } from '../../services/register/again'

/**
 * Chosen documents made again on the present design, each page marked as a copy, as one PDF. Nothing is
 * kept or sent.
 */
export default route<object, { ids: string }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ query }) => ({ documents: query.ids.split(',').map(Number) }),
    query: Joi.object({
      ids: Joi.string()
        .pattern(new RegExp(`^[1-9]\\d{0,8}(,[1-9]\\d{0,8}){0,${mostAgain - 1}}$`))
        .required(),
    }),
  },
  async ({ event, query }) => {
    const bytes = await madeAgain(query.ids.split(',').map(Number))
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="made-again.pdf"',
      'cache-control': 'no-store',
    })
    return Buffer.from(bytes)
  },
)
