import type { DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { PreferenceChange } from '../../../core/preferences/recipients'
import { ids, Joi, kind, language } from '../../http/checks'
import { route } from '../../http/route'
import { setPreferences } from '../../services/customers/customers'
import { preferenceChange } from './preference.check'

/**
 * One kind's preference, and the language, for many customers at once; answers what was skipped and what undo gives
 * back.
 */
export default route<
  object,
  object,
  { ids: number[]; kind: DocumentKind; preference: PreferenceChange; language?: Language }
>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ customers: body.ids }),
    body: Joi.object({ ids, kind: kind.required(), preference: preferenceChange.default({}), language }),
  },
  ({ body, user }) =>
    setPreferences(body.ids, body.kind, { preference: body.preference, language: body.language }, user),
)
