import { Joi, name, text } from '../../http/checks'
import { route } from '../../http/route'
import { filteredPages, keepFilter, type NewFilter } from '../../services/house/saved-filters'

/** Keeps what a list is narrowed to by a name. */
export default route<object, object, NewFilter>(
  {
    role: 'clerk',
    brands: 'none',
    body: Joi.object({
      page: Joi.valid(...filteredPages).required(),
      name: name(60).required(),
      filters: Joi.object()
        .pattern(/^\w{1,40}$/, text(200))
        .max(30)
        .required(),
      replaces: Joi.boolean().default(false),
    }),
  },
  ({ body, user }) => keepFilter(body, user),
)
