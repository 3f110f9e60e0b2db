import { route, sessionOf } from '../../http/route'

/** Who is signed in; user is null when nobody is. */
export default route({ role: 'anyone', brands: 'none' }, async ({ event, user }) => {
  await sessionOf(event)
  return { user: user ? { id: user.id, name: user.name, email: user.email, role: user.role } : null }
})
