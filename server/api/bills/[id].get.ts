import { idParam } from '../../checks'
import { route } from '../../route'
import { billView } from '../../services/bills/bills'

export default route<{ id: number }>({ role: 'reader', params: idParam }, ({ params }) => billView(params.id))
