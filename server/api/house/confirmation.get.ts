import { route } from '../../http/route'
import { confirmation } from '../../services/house/installation'

export default route({ role: 'reader', brands: 'all' }, () => confirmation())
