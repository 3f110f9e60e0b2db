import { Joi, page } from '../../http/checks'
import { route } from '../../http/route'
import { listRuns } from '../../services/runs/runs'

/** All Sends, newest first, with their counts and numbers. */
export default route<object, { after?: string; limit: number }>(
  { role: 'reader', brands: 'own', query: Joi.object(page) },
  ({ query, user }) => listRuns(query, user),
)
