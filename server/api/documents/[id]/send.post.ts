import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendDocuments } from '../../../services/dispatch/by-hand'

/**
 * Sends an issued document that has no dispatch that lives. One of a held or withdrawn order goes only with
 * despite.
 */
export default route<{ id: number }, object, { despite: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ despite: Joi.boolean().default(false) }),
  },
  async ({ params, body, user }) => {
    await sendDocuments([params.id], user, body.despite)
    return { ok: true }
  },
)
