import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import type { OwnEmail } from '../../../../core/emailtexts/own-email'
import { writeOwnEmail } from '../../../services/line/own-email'
import { ownEmailChange } from '../own-email.check'

/** What the email of a prepared document says this once, with further copies; null is what the house says. */
export default route<{ id: number }, object, { revision: number; own: OwnEmail | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: ownEmailChange,
  },
  async ({ params, body, user }) => {
    await writeOwnEmail(params.id, body.revision, body.own, user)
    return { ok: true }
  },
)
