import type { DocumentKind } from '../../../../core/documents/kinds'
import type { Language } from '../../../../core/money/format'
import { idParam, Joi, kind, language } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeEmailText } from '../../../services/house/change'

export default route<
  { id: number },
  object,
  { kind: DocumentKind; language: Language; subject: string; text: string }
>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({
      kind: kind.default('invoice'),
      language: language.required(),
      subject: Joi.string().max(300).allow('').required(),
      text: Joi.string().max(8000).allow('').required(),
    }),
  },
  async ({ params, body, user }) => {
    await changeEmailText(params.id, body.kind, body.language, body, user)
    return { ok: true }
  },
)
