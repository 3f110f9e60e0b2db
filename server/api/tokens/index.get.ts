import { route } from '../../http/route'
import { tokens } from '../../services/people/tokens'

export default route({ role: 'supervisor', brands: 'all' }, () => tokens())
