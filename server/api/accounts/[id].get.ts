import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { account } from '../../services/receivables/accounts'

/** One customer's open items and payments. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ customers: [params.id] }), params: idParam },
  ({ params, user }) => account(params.id, user),
)
