import type { DocumentKind } from '../../../../core/documents/kinds'
import type { EmailPurpose } from '../../../../core/emailtexts/purposes'
import type { Language } from '../../../../core/money/format'
import { id, idParam, Joi, kind, language } from '../../../http/checks'
import { route } from '../../../http/route'
import { emailPurpose } from '../email-text.check'
import { emailVersions } from '../../../services/house/email-versions'

/** Every version of an email text, newest first, with who saved it and whether somebody tried it. */
export default route<
  { id: number },
  { kind: DocumentKind; purpose: EmailPurpose; language: Language; variantId?: number }
>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    query: Joi.object({
      kind: kind.default('invoice'),
      purpose: emailPurpose.default('first'),
      language: language.default('en'),
      variantId: id,
    }),
  },
  async ({ params, query: { kind, purpose, language, variantId } }) => ({
    versions: await emailVersions(params.id, kind, purpose, language, variantId),
  }),
)
