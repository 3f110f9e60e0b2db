import { Joi, text } from '../../http/checks'
import { refuseToken } from '../../http/own-session'
import { route } from '../../http/route'
import { prove } from '../../services/people/sign-in'

/** Shows again who one is, before what could let others in. */
export default route<object, object, { password: string; code: string }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({
      password: Joi.string().max(200).required(),
      code: text(20).allow('').default(''),
    }),
  },
  async ({ body, user }) => {
    refuseToken(user)
    await prove(user, body.password, body.code)
    return { ok: true }
  },
)
