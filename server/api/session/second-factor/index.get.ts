import { refuseToken } from '../../../http/own-session'
import { route } from '../../../http/route'
import { secondFactorOf } from '../../../services/people/second-factor'

/** Whether one has a second factor. */
export default route({ role: 'reader', brands: 'none' }, ({ user }) => {
  refuseToken(user)
  return secondFactorOf(user.id)
})
