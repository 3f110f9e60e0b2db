import type { EmailLook } from '../../../core/emailtexts/email-look'
import type { Language } from '../../../core/money/format'
import type { DocumentKind } from '../../../core/documents/kinds'
import { emailLook, id, Joi, kind, language } from '../../http/checks'
import { route } from '../../http/route'
import { previewEmail } from '../../services/documents/sample'

/** The email as it would go with the brand's sample document, with a text and look that need not be kept yet. */
export default route<
  object,
  object,
  {
    subject: string
    text: string
    brandId: number
    kind: DocumentKind
    look?: EmailLook
    language: Language
  }
>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId] }),
    body: Joi.object({
      subject: Joi.string().max(300).allow('').required(),
      text: Joi.string().max(8000).allow('').required(),
      brandId: id.required(),
      kind: kind.default('invoice'),
      look: emailLook,
      language: language.default('en'),
    }),
  },
  ({ body: { brandId, kind, ...email } }) => previewEmail(brandId, kind, email),
)
