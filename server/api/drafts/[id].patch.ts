import type { DraftFacts } from '../../../core/documents/draft'
import { draftFacts } from './draft.check'
import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeDraft } from '../../services/drafts/drafts'

export default route<
  { id: number },
  object,
  { version: number; facts: DraftFacts; brandId: number; customerId: number; earlierDateOk: boolean }
>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params, body }) => ({
      sources: [params.id],
      brands: [body.brandId],
      customers: [body.customerId],
    }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      facts: draftFacts.required(),
      brandId: id.required(),
      customerId: id.required(),
      earlierDateOk: Joi.boolean().default(false),
    }),
  },
  async ({ params, body, user }) => {
    await changeDraft(params.id, body, user)
    return { ok: true }
  },
)
