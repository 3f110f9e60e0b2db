import { idParam } from '../../checks'
import { route } from '../../route'
import { paperView } from '../../services/line/one'

export default route<{ id: number }>({ role: 'reader', params: idParam }, ({ params }) =>
  paperView(params.id),
)
