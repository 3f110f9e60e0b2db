import { route } from '../../http/route'
import { openRuns } from '../../services/runs/runs'

/** One's own Sends that are under way or ended within the last hour. */
export default route({ role: 'reader', brands: 'own' }, ({ user }) => openRuns(user.id))
