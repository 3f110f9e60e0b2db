import { download } from '../../../http/download'
import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { proofOf } from '../../../services/register/proof'

/** One PDF that proves how a document was sent, to whom, and what the servers said; the document is in it. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ documents: [params.id] }), params: idParam },
  async ({ event, params, user }) => {
    const { name, bytes } = await proofOf(params.id, user)
    return download(event, { name, mediaType: 'application/pdf', bytes: Buffer.from(bytes) })
  },
)
