import { callerAddress } from '../../http/caller'
import { Joi, name, newPassword, text } from '../../http/checks'
import { route } from '../../http/route'
import { keepSession } from '../../http/session-cookie'
import { beginHouse, type FirstSupervisor } from '../../services/set-up/begin'

/** The first supervisor of a house, with the code that its start printed; signed in from then on. */
export default route<object, object, FirstSupervisor>(
  {
    role: 'anyone',
    brands: 'none',
    body: Joi.object({
      code: text(40).required(),
      name: name(80).required(),
      email: text(200).required(),
      password: newPassword.required(),
    }),
  },
  async ({ event, body }) => {
    await keepSession(event, await beginHouse(body, callerAddress(event)), body.email)
    return { ok: true }
  },
)
