import { route } from '../../http/route'
import { lineCounts } from '../../services/line/counts-queries'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => lineCounts(user))
