import type { Language } from '../../../core/money/format'
import { Joi, language, text } from '../../http/checks'
import { route } from '../../http/route'
import { optionsWorded } from '../../services/items/find'

/** What can be chosen of items, by number, in a language; those without a choice are left out. */
export default route<object, object, { codes: string[]; language: Language }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({
      codes: Joi.array().items(text(60)).min(1).max(1000).required(),
      language: language.default('en'),
    }),
  },
  async ({ body }) => ({ items: await optionsWorded(body.codes, body.language) }),
)
