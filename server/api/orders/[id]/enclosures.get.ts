import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { hungOn } from '../../../services/enclosures/enclosures'

/** Files that hang on an order. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  async ({ params }) => ({ enclosures: await hungOn({ sourceId: params.id }) }),
)
