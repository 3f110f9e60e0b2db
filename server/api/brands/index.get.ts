import type { DocumentKind } from '../../../core/documents/kinds'
import { Joi, kind } from '../../http/checks'
import { route } from '../../http/route'
import { brandViews } from '../../services/house/change'

export default route<object, { kind: DocumentKind }>(
  { role: 'reader', brands: 'own', query: Joi.object({ kind: kind.default('invoice') }) },
  ({ query, user }) => brandViews(query.kind, user),
)
