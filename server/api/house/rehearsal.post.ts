import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { endRehearsal, startRehearsal } from '../../services/house/settings'

export default route<object, object, { on: boolean }>(
  { role: 'supervisor', brands: 'all', body: Joi.object({ on: Joi.boolean().required() }) },
  async ({ body, user }) => {
    await (body.on ? startRehearsal(user) : endRehearsal())
    return { ok: true }
  },
)
