import { route } from '../../route'
import { openRuns } from '../../services/documents/send-run'

/** One's own runs that are still under way. */
export default route({ role: 'reader' }, ({ user }) => openRuns(user.id))
