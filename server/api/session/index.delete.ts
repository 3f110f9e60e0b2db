import { route, sessionOf } from '../../route'
import { publishSignOut } from '../../services/live/publish'

export default route({ role: 'anyone' }, async ({ event }) => {
  const session = await sessionOf(event)
  if (session.data.session) await publishSignOut(session.data.session)
  await session.clear()
  return { ok: true }
})
