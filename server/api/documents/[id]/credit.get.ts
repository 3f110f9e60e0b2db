import { idParam } from '../../../checks'
import { route } from '../../../route'
import { creditOffer } from '../../../services/drafts/drafts'

/** What of an invoice can still be credited. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ documents: [params.id] }), params: idParam },
  ({ params }) => creditOffer(params.id),
)
