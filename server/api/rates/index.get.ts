import { route } from '../../http/route'
import { rates } from '../../services/house/rates'

export default route({ role: 'reader', brands: 'none' }, () => rates())
