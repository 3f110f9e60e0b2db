import { route } from '../../http/route'
import { addressesToLookAt } from '../../services/customers/address-quality'

/** Addresses that somebody should look at. */
export default route({ role: 'reader', brands: 'own' }, async ({ user }) => ({
  addresses: await addressesToLookAt(user),
}))
