import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { routineVersions } from '../../../services/routines/routines'

export default route<{ id: number }>({ role: 'reader', brands: 'none', params: idParam }, ({ params }) =>
  routineVersions(params.id),
)
