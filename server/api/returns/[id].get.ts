import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { returnView } from '../../services/shipping/returns'

/** One return with its lines, labels, documents, credit notes and history. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => returnView(params.id),
)
