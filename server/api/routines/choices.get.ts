import { route } from '../../http/route'
import { routineChoices } from '../../services/routines/queries'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => routineChoices(user))
