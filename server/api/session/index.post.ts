import { getCookie, setCookie } from 'h3'
import { Joi, text } from '../../http/checks'
import { callerAddress } from '../../http/caller'
import { isSecure, route, sessionOf } from '../../http/route'
import { knownMark, signIn } from '../../services/people/sign-in'

/** The cookie by which a browser that signed in before is told apart from somebody who guesses. */
const knownCookie = 'clothespin-known'

export default route<object, object, { email: string; password: string }>(
  {
    role: 'anyone',
    brands: 'none',
    body: Joi.object({ email: text(200).required(), password: Joi.string().max(200).required() }),
  },
  async ({ event, body }) => {
    const from = { address: callerAddress(event), mark: getCookie(event, knownCookie) ?? '' }
    const { session: id, ...user } = await signIn(body.email, body.password, from)
    const session = await sessionOf(event)
    await session.update({ session: id })
    setCookie(event, knownCookie, knownMark(user.email), {
      httpOnly: true,
      sameSite: 'lax',
      secure: isSecure(event),
      path: '/api/session',
      maxAge: 180 * 86_400,
    })
    return { user }
  },
)
