import { route } from '../../http/route'
import { printQueue } from '../../services/dispatch/print-queue'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => printQueue(user))
