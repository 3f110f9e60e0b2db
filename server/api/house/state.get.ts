import { route } from '../../http/route'
import { houseState } from '../../services/house/health'

/** Paused, in rehearsal, in trouble: what every screen says. */
export default route({ role: 'reader', brands: 'none' }, () => houseState())
