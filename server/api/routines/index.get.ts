import { route } from '../../route'
import { listRoutines } from '../../services/routines/routines'

export default route({ role: 'reader', brands: 'none' }, () => listRoutines())
