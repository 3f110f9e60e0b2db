import { id, idParam, Joi, kind, language } from '../../../http/checks'
import { route } from '../../../http/route'
import { giveUpOwn, type GivenUp } from '../../../services/house/variants'
import { emailPurpose } from '../email-text.check'

/** A variant has no design of its own for a kind any more, or no email text: its customers get the brand's own. */
export default route<{ id: number }, object, GivenUp>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      variantId: id.required(),
      kind: kind.required(),
      text: Joi.object({ purpose: emailPurpose.required(), language: language.required() }),
    }),
  },
  async ({ params, body, user }) => {
    await giveUpOwn(params.id, body, user)
    return { ok: true }
  },
)
