import type { DocumentKind } from '../../../../core/documents/kinds'
import { emailLook, idParam, Joi, kind, language, variantId } from '../../../http/checks'
import { route } from '../../../http/route'
import { emailTextFields } from '../email-text.check'
import type { EmailOnScreen } from '../../../services/documents/sample'
import { sendSampleToMe } from '../../../services/documents/rehearse'

const email = Joi.object({
  ...emailTextFields,
  language: language.required(),
  look: emailLook,
})

/**
 * The brand's sample document with its email, watermarked, to whoever asks; the email as it stands on the
 * screen, where that is given.
 */
export default route<
  { id: number },
  object,
  { kind: DocumentKind; email?: EmailOnScreen; variantId: number }
>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({ kind: kind.default('invoice'), email, variantId: variantId.default(0) }),
  },
  async ({ params, body, user }) => {
    await sendSampleToMe(params.id, body.kind, user, body.email, body.variantId)
    return { to: user.email }
  },
)
