import { route } from '../../http/route'
import { labelCounts } from '../../services/shipping/label-list-queries'

/** How many labels each list has that a person has to do something about. */
export default route({ role: 'reader', brands: 'own' }, ({ user }) => labelCounts(user))
