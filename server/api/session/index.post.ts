import { getRequestIP } from 'h3'
import { randomUUID } from 'node:crypto'
import { Joi, text } from '../../checks'
import { route, sessionOf } from '../../route'
import { signIn } from '../../services/people/sign-in'

export default route<object, object, { email: string; password: string }>(
  {
    role: 'anyone',
    body: Joi.object({ email: text(200).required(), password: Joi.string().max(200).required() }),
  },
  async ({ event, body }) => {
    const user = await signIn(body.email, body.password, getRequestIP(event) ?? '')
    const session = await sessionOf(event)
    await session.update({ userId: user.id, session: randomUUID() })
    return { user }
  },
)
