import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { optionsOf } from '../../services/items/queries'

/** What can be chosen of items, by number; those without a choice are left out. */
export default route<object, object, { codes: string[] }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({ codes: Joi.array().items(text(60)).min(1).max(1000).required() }),
  },
  async ({ body }) => ({ items: await optionsOf(body.codes) }),
)
