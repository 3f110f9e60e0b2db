import type { EmailLook } from '../../core/covernotes/email-look'
import type { Language } from '../../core/money/format'
import { emailLook, id, Joi, language } from '../checks'
import { route } from '../route'
import { previewCoverNote } from '../services/house/change'

/** What a cover note reads like with example fields, in a brand's email look or in one not kept yet. */
export default route<
  object,
  object,
  { subject: string; text: string; brandId: number; look?: EmailLook; language: Language }
>(
  {
    role: 'reader',
    body: Joi.object({
      subject: Joi.string().max(300).allow('').required(),
      text: Joi.string().max(8000).allow('').required(),
      brandId: id.required(),
      look: emailLook,
      language: language.default('en'),
    }),
  },
  ({ body }) => previewCoverNote(body.brandId, body, body.language, body.look),
)
