import { route, sessionOf } from '../../http/route'
import { howFar } from '../../services/house/how-far'

/** Who is signed in (user is null when nobody is), and how far the house's first visit has come. */
export default route({ role: 'anyone', brands: 'none' }, async ({ event, user }) => {
  await sessionOf(event)
  return {
    user: user ? { id: user.id, name: user.name, email: user.email, role: user.role } : null,
    begun: await howFar(),
  }
})
