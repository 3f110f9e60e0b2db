import type { DocumentKind } from '../../../core/documents/kinds'
import type { Language } from '../../../core/money/format'
import type { WishChange } from '../../../core/wishes/recipients'
import { ids, Joi, kind, language } from '../../checks'
import { route } from '../../route'
import { setWishes } from '../../services/customers/customers'
import { wishChange } from '../../wish-check'

/**
 * One kind's wish, and the language, for many customers at once; answers what was skipped and what undo gives
 * back.
 */
export default route<
  object,
  object,
  { ids: number[]; kind: DocumentKind; wish: WishChange; language?: Language }
>(
  {
    role: 'clerk',
    body: Joi.object({ ids, kind: kind.required(), wish: wishChange.default({}), language }),
  },
  ({ body, user }) => setWishes(body.ids, body.kind, { wish: body.wish, language: body.language }, user.name),
)
