import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { creditOffer } from '../../../services/drafts/credit'

/** What of an invoice can still be credited. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ documents: [params.id] }), params: idParam },
  ({ params }) => creditOffer(params.id),
)
