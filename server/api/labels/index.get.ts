import { Joi, page } from '../../http/checks'
import { route } from '../../http/route'
import type { LabelFilter } from '../../services/shipping/label-list'
import { listLabels } from '../../services/shipping/label-list-queries'
import { labelFilter } from './label.check'

/** One page of labels, with the count of all that match and what they cost. */
export default route<object, LabelFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...labelFilter, ...page }) },
  ({ query, user }) => listLabels(query, user),
)
