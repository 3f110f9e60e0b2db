import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { creditReturn } from '../../../services/drafts/credit-return'

/** Drafts the credit notes for what came back and is not credited yet. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params, user }) => creditReturn(params.id, user),
)
