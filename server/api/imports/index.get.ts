import { route } from '../../http/route'
import { imports } from '../../services/imports/imports'

/** Files that were imported, newest first. */
export default route({ role: 'reader', brands: 'all' }, () => imports())
