import type { DocumentKind } from '../../../core/documents/kinds'
import { id, Joi, kind } from '../../http/checks'
import { route } from '../../http/route'
import { prepareByHand } from '../../services/documents/prepare-by-hand'

/**
 * Has documents of sources prepared by hand: of orders, or of drafts and payments that were put back, which are of
 * their own kind. They then wait in To check. Of a held or withdrawn order only alone and with despite.
 */
export default route<object, object, { kind: DocumentKind; sourceIds: number[]; despite: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ sources: body.sourceIds }),
    body: Joi.object({
      kind: kind.default('invoice'),
      sourceIds: Joi.array().items(id).min(1).max(5000).unique().required(),
      despite: Joi.boolean().default(false),
    }),
  },
  async ({ body, user }) => {
    const made = await prepareByHand(body.kind, body.sourceIds, user, { despite: body.despite })
    const results = made.map((one) => one.result)
    return {
      prepared: results.filter((one) => one.outcome === 'prepared').length,
      refused: results.flatMap((one) => (one.outcome === 'refused' ? one.reason : [])),
      already: results.filter((one) => one.outcome === 'already').map((one) => one.reason),
      papers: results.map((one) => one.preparedId),
    }
  },
)
