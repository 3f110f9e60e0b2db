import { route } from '../../http/route'
import { houseLists } from '../../services/orders/house-lists'

/** The statuses of orders. */
export default route({ role: 'reader', brands: 'none' }, () => houseLists())
