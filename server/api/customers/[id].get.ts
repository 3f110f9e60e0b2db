import { idParam } from '../../checks'
import { route } from '../../route'
import { customerView } from '../../services/customers/customers'

export default route<{ id: number }>({ role: 'reader', params: idParam }, ({ params }) =>
  customerView(params.id),
)
