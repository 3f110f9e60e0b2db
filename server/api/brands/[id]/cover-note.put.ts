import type { Language } from '../../../../core/money/format'
import { idParam, Joi } from '../../../checks'
import { route } from '../../../route'
import { changeCoverNote } from '../../../services/house/change'

export default route<{ id: number }, object, { language: Language, subject: string, text: string }>({
  role: 'supervisor', params: idParam, body: Joi.object({ language: Joi.valid('en', 'de').required(), subject: Joi.string().max(300).allow('').required(), text: Joi.string().max(8000).allow('').required() }),
}, async ({ params, body, user }) => {
  await changeCoverNote(params.id, body.language, body, user.name)
  return { ok: true }
})
