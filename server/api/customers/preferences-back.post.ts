import type { Language } from '../../../core/money/format'
import type { Preferences } from '../../../core/preferences/recipients'
import { id, Joi, language } from '../../http/checks'
import { route } from '../../http/route'
import { restorePreferences } from '../../services/customers/customers'
import { preferences } from './preference.check'

/** Undo of preferences set for many. */
export default route<
  object,
  object,
  { before: { id: number; preferences: Preferences; language: Language }[] }
>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ customers: body.before.map((one) => one.id) }),
    body: Joi.object({
      before: Joi.array()
        .items(
          Joi.object({
            id: id.required(),
            preferences: preferences.required(),
            language: language.required(),
          }),
        )
        .min(1)
        .max(5000)
        .required(),
    }),
  },
  async ({ body }) => {
    await restorePreferences(body.before)
    return { ok: true }
  },
)
