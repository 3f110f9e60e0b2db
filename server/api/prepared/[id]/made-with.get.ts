import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { madeWith } from '../../../services/line/made-with'

/** What a prepared document can be made with this once: variants of its email text and of its design. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ prepared: [params.id] }), params: idParam },
  ({ params }) => madeWith(params.id),
)
