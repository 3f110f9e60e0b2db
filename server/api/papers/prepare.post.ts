import type { DocumentKind } from '../../../core/documents/kinds'
import { ids, Joi, kind } from '../../checks'
import { route } from '../../route'
import { prepareByHand } from '../../services/documents/by-hand'

/** Has papers of orders prepared by hand; they then wait on To check. */
export default route<object, object, { kind: DocumentKind, orderIds: number[] }>({ role: 'clerk', body: Joi.object({ kind: kind.default('invoice'), orderIds: ids }) }, async ({ body, user }) => {
  const results = await prepareByHand(body.kind, body.orderIds, user.name)
  return { prepared: results.filter(one => one.result.outcome === 'prepared').length, already: results.filter(one => one.result.outcome === 'already').map(one => one.result.reason), papers: results.map(one => one.result.paperId) }
})
