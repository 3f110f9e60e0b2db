import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendDocumentToMe } from '../../../services/documents/rehearse'

/** A document as it is, with its email, to whoever asks; its customer hears nothing. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', of: ({ params }) => ({ documents: [params.id] }), params: idParam },
  async ({ params, user }) => {
    await sendDocumentToMe(params.id, user)
    return { to: user.email }
  },
)
