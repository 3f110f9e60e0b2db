import { route } from '../../http/route'
import { listRoutines } from '../../services/routines/routines'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => listRoutines(user))
