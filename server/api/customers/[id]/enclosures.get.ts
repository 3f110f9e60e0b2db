import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { hungOn } from '../../../services/enclosures/enclosures'

/** Files that hang on a customer. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ customers: [params.id] }), params: idParam },
  async ({ params }) => ({ enclosures: await hungOn({ customerId: params.id }) }),
)
