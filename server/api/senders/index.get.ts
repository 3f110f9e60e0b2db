import { route } from '../../http/route'
import { senders } from '../../services/house/senders'

/** Who emails come from, by kind and by routine; what is not named comes from its brand. */
export default route({ role: 'supervisor', brands: 'all' }, async () => ({ senders: await senders() }))
