import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { routineVersions } from '../../../services/routines/routines'

export default route<{ id: number }>({ role: 'reader', brands: 'own', params: idParam }, ({ params, user }) =>
  routineVersions(params.id, user),
)
