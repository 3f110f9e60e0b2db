import type { EmailLook } from '../../../../core/emailtexts/email-look'
import { emailLook, idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeEmailLook } from '../../../services/house/change'

export default route<{ id: number }, object, EmailLook>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: emailLook.required(),
  },
  async ({ params, body }) => {
    await changeEmailLook(params.id, body)
    return { ok: true }
  },
)
