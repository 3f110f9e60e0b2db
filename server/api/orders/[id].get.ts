import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { orderView } from '../../services/orders/list'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => orderView(params.id),
)
