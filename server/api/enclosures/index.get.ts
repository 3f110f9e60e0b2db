import { route } from '../../http/route'
import { enclosures } from '../../services/enclosures/enclosures'

/** Standing files of the house. */
export default route({ role: 'reader', brands: 'own' }, async ({ user }) => ({
  enclosures: await enclosures(user),
}))
