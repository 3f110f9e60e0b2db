import { Joi, page, text } from '../../http/checks'
import { route } from '../../http/route'
import { listItems } from '../../services/items/queries'

/** One page of items. */
export default route<object, { search: string; after?: string; limit: number }>(
  {
    role: 'reader',
    brands: 'none',
    query: Joi.object({ search: text(60).allow('').default(''), ...page }),
  },
  ({ query }) => listItems(query),
)
