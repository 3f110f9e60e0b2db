import { Joi } from '../../../http/checks'
import { refuseToken } from '../../../http/own-session'
import { route } from '../../../http/route'
import { endSecondFactor } from '../../../services/people/second-factor'

/** Takes one's own second factor away. */
export default route<object, object, { password: string }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({ password: Joi.string().max(200).required() }),
  },
  async ({ body, user }) => {
    refuseToken(user)
    await endSecondFactor(user.id, body.password)
    return { ok: true }
  },
)
