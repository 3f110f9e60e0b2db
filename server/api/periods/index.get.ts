import { route } from '../../http/route'
import { periods } from '../../services/house/periods'

export default route({ role: 'reader', brands: 'all' }, () => periods())
