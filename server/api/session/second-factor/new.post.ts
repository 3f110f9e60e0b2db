import { refuseToken } from '../../../http/own-session'
import { route } from '../../../http/route'
import { newSecondFactor } from '../../../services/people/second-factor'

/** A secret to take into an app; nothing is in force yet. */
export default route({ role: 'reader', brands: 'none' }, ({ user }) => {
  refuseToken(user)
  return newSecondFactor(user.email)
})
