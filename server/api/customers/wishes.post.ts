import type { DocumentKind } from '../../../core/documents/kinds'
import type { Wish } from '../../../core/wishes/recipients'
import { ids, Joi, kind } from '../../checks'
import { route } from '../../route'
import { setWishes } from '../../services/customers/customers'
import { wish } from '../../wish-check'

/** One kind's wish for many customers at once; answers what was skipped and what undo gives back. */
export default route<object, object, { ids: number[], kind: DocumentKind, wish: Wish | null }>({
  role: 'clerk', body: Joi.object({ ids, kind: kind.required(), wish: wish.allow(null).required() }),
}, ({ body, user }) => setWishes(body.ids, body.kind, body.wish, user.name))
