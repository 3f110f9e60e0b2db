import { Joi, page } from '../../checks'
import { lineFilter } from '../../list-checks'
import { route } from '../../route'
import { type LineFilter } from '../../services/line/list'
import { lineList } from '../../services/line/list-queries'

/** One page of a stage of the Line. */
export default route<object, LineFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...lineFilter, ...page }) },
  ({ query, user }) => lineList(query, user),
)
