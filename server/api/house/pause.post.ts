import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { pauseAll } from '../../services/house/settings'

/** Stops all issuing and sending. Anybody at the desk may; only a supervisor lets it go on. */
export default route<object, object, { reason: string }>(
  { role: 'clerk', brands: 'all', body: Joi.object({ reason: text(200).allow('').default('') }) },
  async ({ body, user }) => {
    await pauseAll(body.reason, user)
    return { ok: true }
  },
)
