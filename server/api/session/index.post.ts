import { getCookie } from 'h3'
import { Joi, text } from '../../http/checks'
import { callerAddress } from '../../http/caller'
import { route } from '../../http/route'
import { keepSession, knownCookie } from '../../http/session-cookie'
import { signIn } from '../../services/people/sign-in'

export default route<object, object, { email: string; password: string; code: string }>(
  {
    role: 'anyone',
    brands: 'none',
    body: Joi.object({
      email: text(200).required(),
      password: Joi.string().max(200).required(),
      code: text(20).allow('').default(''),
    }),
  },
  async ({ event, body }) => {
    const from = { address: callerAddress(event), mark: getCookie(event, knownCookie) ?? '' }
    const { session, ...user } = await signIn(body.email, body.password, from, body.code)
    await keepSession(event, session, user.email)
    return { user }
  },
)
