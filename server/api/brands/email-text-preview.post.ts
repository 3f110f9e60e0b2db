import type { DocumentKind } from '../../../core/documents/kinds'
import { emailLook, id, Joi, kind, language, variantId } from '../../http/checks'
import { route } from '../../http/route'
import { emailTextFields } from './email-text.check'
import { previewEmail, type EmailOnScreen } from '../../services/documents/sample'

/** The email as it would go with the brand's sample document, with a text and look that need not be kept yet. */
export default route<object, object, EmailOnScreen & { brandId: number; kind: DocumentKind }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId] }),
    body: Joi.object({
      ...emailTextFields,
      brandId: id.required(),
      kind: kind.default('invoice'),
      look: emailLook,
      language: language.default('en'),
      variantId: variantId.default(0),
    }),
  },
  ({ body: { brandId, kind, ...email } }) => previewEmail(brandId, kind, email),
)
