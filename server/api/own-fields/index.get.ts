import { route } from '../../http/route'
import { ownFieldViews } from '../../services/fields/own-fields'

/** Fields of the house's own, with how many have something in each. */
export default route({ role: 'reader', brands: 'none' }, async () => ({ fields: await ownFieldViews() }))
