import { route } from '../../route'
import { numberPeriods } from '../../services/register/numbers'

export default route({ role: 'reader' }, () => numberPeriods())
