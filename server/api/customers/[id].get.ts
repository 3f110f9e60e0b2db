import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { customerView } from '../../services/customers/customers'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ customers: [params.id] }), params: idParam },
  ({ params, user }) => customerView(params.id, user),
)
