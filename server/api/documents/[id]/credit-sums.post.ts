import type { CreditAsk } from '../../../../core/documents/credit'
import { creditAsk } from '../../drafts/draft.check'
import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { creditSums } from '../../../services/drafts/credit'

/** What a credit note of these lines, or of this amount, would come to. Changes nothing. */
export default route<{ id: number }, object, { ask: CreditAsk }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ ask: creditAsk.required() }),
  },
  ({ params, body }) => creditSums(params.id, body.ask),
)
