import { ids, Joi } from '../../checks'
import { route } from '../../route'
import { prepareByHand } from '../../services/documents/by-hand'

/** Has the invoices of orders prepared by hand; they then wait on To check. */
export default route<object, object, { orderIds: number[] }>({ role: 'clerk', body: Joi.object({ orderIds: ids }) }, async ({ body, user }) => {
  const results = await prepareByHand(body.orderIds, user.name)
  return { prepared: results.filter(one => one.result.outcome === 'prepared').length, already: results.filter(one => one.result.outcome === 'already').map(one => one.result.reason), papers: results.map(one => one.result.paperId) }
})
