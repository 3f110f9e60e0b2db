import { Joi, newPassword } from '../../http/checks'
import { refuseToken } from '../../http/own-session'
import { route } from '../../http/route'
import { keepSession } from '../../http/session-cookie'
import { changePassword } from '../../services/people/new-password'

/** Changes one's own password; everywhere else the person is signed out. */
export default route<object, object, { old: string; password: string }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({ old: Joi.string().max(200).required(), password: newPassword.required() }),
  },
  async ({ event, body, user }) => {
    refuseToken(user)
    await keepSession(event, await changePassword(user.id, body.old, body.password), user.email)
    return { ok: true }
  },
)
