import { Joi, page } from '../../http/checks'
import { lineFilter } from './list.check'
import { route } from '../../http/route'
import { type LineFilter } from '../../services/line/list'
import { lineList } from '../../services/line/list-queries'

/** One page of a stage of the Line. */
export default route<object, LineFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...lineFilter, ...page }) },
  ({ query, user }) => lineList(query, user),
)
