import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import type { OwnEmail } from '../../../../core/emailtexts/own-email'
import { writeWaitingEmail } from '../../../services/line/waiting-email'
import { ownEmailChange } from '../../prepared/own-email.check'

/** What an email that has not left says this once, with further copies; null is what the house says. */
export default route<{ id: number }, object, { revision: number; own: OwnEmail | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ dispatches: [params.id] }),
    params: idParam,
    body: ownEmailChange,
  },
  async ({ params, body, user }) => {
    await writeWaitingEmail(params.id, body.revision, body.own, user)
    return { ok: true }
  },
)
