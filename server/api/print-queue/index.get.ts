import { route } from '../../http/route'
import { printQueue } from '../../services/dispatch/queries'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => printQueue(user))
