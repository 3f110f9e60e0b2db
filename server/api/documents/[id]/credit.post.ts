import type { CreditAsk } from '../../../../core/documents/credit'
import { creditAsk } from '../../drafts/draft.check'
import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { creditDocument } from '../../../services/drafts/credit'

/** A credit note for an invoice; with `anew` also the invoice that takes its place. Both wait in To check. */
export default route<{ id: number }, object, { ask: CreditAsk; reason: string; anew: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({
      ask: creditAsk.required(),
      reason: text(120).required(),
      anew: Joi.boolean().default(false),
    }),
  },
  ({ params, body, user }) => creditDocument(params.id, body, user),
)
