import { Joi, page } from '../../checks'
import { lineFilter } from '../../list-checks'
import { route } from '../../route'
import { lineList, type LineFilter } from '../../services/line/list'

/** One page of a stage of the Line. */
export default route<object, LineFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...lineFilter, ...page }) },
  ({ query, user }) => lineList(query, user),
)
