import { decimal, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { draftFromOrder } from '../../../services/drafts/drafts'

/** Begins an invoice of what remains of an order, to be cut down to a part, of what was shipped, or of a deposit. */
export default route<{ id: number }, object, { kind: 'part' | 'shipped' | 'deposit'; percent?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      kind: Joi.valid('part', 'shipped', 'deposit').required(),
      percent: decimal.when('kind', { is: 'deposit', then: Joi.required(), otherwise: Joi.forbidden() }),
    }),
  },
  async ({ params, body, user }) => ({
    draftId: await draftFromOrder(
      params.id,
      body.kind === 'deposit' ? { kind: 'deposit', percent: body.percent! } : { kind: body.kind },
      user,
    ),
  }),
)
