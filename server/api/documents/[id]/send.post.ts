import { idParam } from '../../../checks'
import { route } from '../../../route'
import { sendDocuments } from '../../../services/dispatch/by-hand'

/** Sends an issued document that has no dispatch that lives. */
export default route<{ id: number }>({ role: 'clerk', params: idParam }, async ({ params, user }) => {
  await sendDocuments([params.id], user.name)
  return { ok: true }
})
