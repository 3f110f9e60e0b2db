import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { preparedView } from '../../services/line/in-hand'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ prepared: [params.id] }), params: idParam },
  ({ params, user }) => preparedView(params.id, user),
)
