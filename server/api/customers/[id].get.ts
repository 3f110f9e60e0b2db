import { idParam } from '../../checks'
import { route } from '../../route'
import { customerView } from '../../services/customers/customers'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ customers: [params.id] }), params: idParam },
  ({ params, user }) => customerView(params.id, user),
)
