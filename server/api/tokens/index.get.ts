import { route } from '../../route'
import { tokens } from '../../services/people/tokens'

export default route({ role: 'supervisor', brands: 'all' }, () => tokens())
