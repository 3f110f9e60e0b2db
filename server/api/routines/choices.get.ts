import { route } from '../../route'
import { routineChoices } from '../../services/routines/choices'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => routineChoices(user))
