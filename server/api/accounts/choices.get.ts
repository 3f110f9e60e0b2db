import { route } from '../../http/route'
import { accountChoices } from '../../services/receivables/accounts-queries'

/** What accounts can be narrowed by: groups, salespeople and countries of customers. */
export default route({ role: 'reader', brands: 'own' }, ({ user }) => accountChoices(user))
