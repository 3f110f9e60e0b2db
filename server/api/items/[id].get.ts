import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { itemView } from '../../services/items/items'

export default route<{ id: number }>({ role: 'reader', brands: 'none', params: idParam }, ({ params }) =>
  itemView(params.id),
)
