import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { findItems } from '../../services/orders/list'

export default route<object, { search: string; language: string }>(
  {
    role: 'reader',
    brands: 'none',
    query: Joi.object({ search: text(60).allow('').default(''), language: text(5).default('en') }),
  },
  ({ query }) => findItems(query.search, query.language),
)
