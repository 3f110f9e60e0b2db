import type { DocumentKind } from '../../../core/documents/kinds'
import { Joi, kind } from '../../http/checks'
import { route } from '../../http/route'
import { switchKind } from '../../services/house/kinds'

/** Switches a kind of document on or off. What waits of it stays. */
export default route<object, object, { kind: DocumentKind; on: boolean }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({ kind: kind.required(), on: Joi.boolean().required() }),
  },
  async ({ body }) => {
    await switchKind(body.kind, body.on)
    return { ok: true }
  },
)
