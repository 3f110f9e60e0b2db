import { route } from '../../http/route'
import { numberPeriods } from '../../services/register/numbers-queries'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => numberPeriods(user))
