import type { DocumentKind } from '../../../../core/documents/kinds'
import { idParam, Joi, kind, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { rehearseTexts } from '../../../services/house/change-email'

/** Where the emails of a kind go while its texts are being tried; '' for real again. */
export default route<{ id: number }, object, { kind: DocumentKind; address: string }>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({ kind: kind.required(), address: text(320).allow('').required() }),
  },
  async ({ params, body, user: _user }) => {
    await rehearseTexts(params.id, body.kind, body.address)
    return { ok: true }
  },
)
