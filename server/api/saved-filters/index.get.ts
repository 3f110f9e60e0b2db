import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { filteredPages, savedFilters, type FilteredPage } from '../../services/house/saved-filters'

/** What a list can be narrowed to by a name. */
export default route<object, { page: FilteredPage }>(
  {
    role: 'reader',
    brands: 'none',
    query: Joi.object({ page: Joi.valid(...filteredPages).required() }).unknown(),
  },
  ({ query }) => savedFilters(query.page),
)
