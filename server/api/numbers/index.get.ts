import { route } from '../../route'
import { numberPeriods } from '../../services/register/numbers-queries'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => numberPeriods(user))
