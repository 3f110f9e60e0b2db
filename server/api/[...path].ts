import { Refusal } from '../../core/errors'
import { route } from '../http/route'

/** Every address under /api that no other route has. */
export default route({ role: 'anyone', brands: 'none' }, () => {
  throw new Refusal('no-such-path', { status: 404 })
})
