import { currency, id, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { findItems } from '../../services/items/find'

interface Asked {
  search: string
  language: string
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
      language: text(5).default('en'),
      currency,
      customerId: id,
    }),
  },
  ({ query }) => findItems(query),
)
