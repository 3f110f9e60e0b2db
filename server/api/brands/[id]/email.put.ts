import { emailLook, id, idParam, Joi, kind, language } from '../../../http/checks'
import { route } from '../../../http/route'
import { emailPurpose, emailTextFields } from '../email-text.check'
import { changeEmail, type EmailChange } from '../../../services/house/change-email'

/** What an email says with a kind of document in one language, and how the brand's emails look around it. */
export default route<{ id: number }, object, EmailChange>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      kind: kind.default('invoice'),
      purpose: emailPurpose.default('first'),
      language: language.required(),
      ...emailTextFields,
      look: emailLook.required(),
      variantId: id.allow(null).default(null),
    }),
  },
  async ({ params, body, user }) => {
    await changeEmail(params.id, body, user)
    return { ok: true }
  },
)
