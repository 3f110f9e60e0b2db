import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { hungOn } from '../../../services/enclosures/enclosures'

/** Files that go along with what bills an item. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'none', params: idParam },
  async ({ params }) => ({ enclosures: await hungOn({ itemId: params.id }) }),
)
