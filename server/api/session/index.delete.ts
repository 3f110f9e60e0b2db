import { route, sessionOf } from '../../http/route'
import { endSession } from '../../services/people/sign-in'

export default route({ role: 'anyone', brands: 'none' }, async ({ event }) => {
  const session = await sessionOf(event)
  if (session.data.session) await endSession(session.data.session)
  await session.clear()
  return { ok: true }
})
