import { route } from '../../http/route'
import { ageing } from '../../services/receivables/accounts'

/** What all customers owe, by currency and age. */
export default route({ role: 'reader', brands: 'own' }, ({ user }) => ageing(user))
