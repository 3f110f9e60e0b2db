import { route } from '../../route'
import { brandViews } from '../../services/house/change'

export default route({ role: 'reader' }, () => brandViews('invoice'))
