import { route } from '../../http/route'
import { taxCodes } from '../../services/house/tax'

/** The company's tax codes with their words and their rates over time. */
export default route({ role: 'reader', brands: 'none' }, async () => ({ rows: await taxCodes() }))
