import type { Language } from '../../../core/money/format'
import { currency, id, Joi, language, text } from '../../http/checks'
import { route } from '../../http/route'
import { findItems } from '../../services/items/find'

interface Asked {
  search: string
  language: Language
  currency?: string
  customerId?: number
}

/** A few items whose number, GTIN or name in a language holds a text, with the price for a customer. */
export default route<object, Asked>(
  {
    role: 'reader',
    brands: 'none',
    query: Joi.object({
      search: text(60).allow('').default(''),
      language: language.default('en'),
      currency,
      customerId: id,
    }),
  },
  ({ query }) => findItems(query),
)
