import { route } from '../../http/route'
import { carriers } from '../../services/shipping/carriers'

/** All carriers with what they carry, without their keys. */
export default route({ role: 'supervisor', brands: 'all' }, () => carriers())
