import { importFields } from '../../../core/imports/subjects'
import { route } from '../../http/route'

/** The fields of each kind of record: their stable keys, what they hold, and which are needed. */
export default route({ role: 'reader', brands: 'none' }, () => importFields)
