import { route } from '../../http/route'
import { bankFiles } from '../../services/receivables/bank'

/** Bank files, newest first, with how many of their movements are in which state. */
export default route({ role: 'reader', brands: 'all' }, () => bankFiles())
