import { route } from '../../http/route'
import { listStaff } from '../../services/staff/staff'

/** Everybody who works here or has left. */
export default route({ role: 'supervisor', brands: 'all' }, () => listStaff())
