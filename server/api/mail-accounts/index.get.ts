import { route } from '../../http/route'
import { mailAccounts } from '../../services/house/mail-accounts'

/** All mail accounts, without their passwords. */
export default route({ role: 'supervisor', brands: 'all' }, () => mailAccounts())
