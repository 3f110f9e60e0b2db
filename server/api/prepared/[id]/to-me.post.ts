import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendOneToMe } from '../../../services/documents/rehearse'

/** The paper as it will be, watermarked, to one's own address; nothing else happens to it. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', of: ({ params }) => ({ prepared: [params.id] }), params: idParam },
  async ({ params, user }) => ({
    number: await sendOneToMe(params.id, user),
    to: user.email,
  }),
)
