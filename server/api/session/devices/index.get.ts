import { route } from '../../../http/route'
import { refuseToken } from '../../../http/own-session'
import { devicesOf } from '../../../services/people/sign-in'

/** Where the person is signed in. */
export default route({ role: 'reader', brands: 'none' }, async ({ user }) => {
  refuseToken(user)
  return { devices: await devicesOf(user) }
})
