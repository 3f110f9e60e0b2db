import type { DocumentKind } from '../../../core/documents/kinds'
import { id, Joi, orderKind } from '../../checks'
import { route } from '../../route'
import { prepareBills, prepareByHand } from '../../services/documents/by-hand'

const some = Joi.array().items(id).max(5000).unique().default([])

/**
 * Has papers of orders, or of drafts that were put back, prepared by hand; they then wait on To check. Of a
 * held or withdrawn order only alone and with despite.
 */
export default route<
  object,
  object,
  { kind: DocumentKind; orderIds: number[]; billIds: number[]; despite: boolean }
>(
  {
    role: 'clerk',
    body: Joi.object({
      kind: orderKind.default('invoice'),
      orderIds: some,
      billIds: some,
      despite: Joi.boolean().default(false),
    }).custom((value: { orderIds: number[]; billIds: number[] }, helpers) =>
      value.orderIds.length + value.billIds.length > 0 ? value : helpers.error('any.required'),
    ),
  },
  async ({ body, user }) => {
    const results = [
      ...(body.orderIds.length
        ? (await prepareByHand(body.kind, body.orderIds, user.name, body.despite)).map((one) => one.result)
        : []),
      ...(body.billIds.length ? await prepareBills(body.billIds, user.name) : []),
    ]
    return {
      prepared: results.filter((one) => one.outcome === 'prepared').length,
      refused: results.flatMap((one) => (one.outcome === 'refused' ? one.reason : [])),
      already: results.filter((one) => one.outcome === 'already').map((one) => one.reason),
      papers: results.map((one) => one.paperId),
    }
  },
)
