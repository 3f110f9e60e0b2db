import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { confirmedOf } from '../../../services/orders/confirmed'

/** What was confirmed of an order otherwise than it is now; null where nothing differs. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  async ({ params }) => ({
    confirmed: await confirmedOf(params.id),
  }),
)
