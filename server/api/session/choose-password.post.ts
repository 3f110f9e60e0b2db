import { callerAddress } from '../../http/caller'
import { Joi, newPassword, text } from '../../http/checks'
import { route } from '../../http/route'
import { keepSession } from '../../http/session-cookie'
import { choosePassword, type Chosen } from '../../services/people/new-password'

/** With an invitation or a code for a new password; signed in from then on, unless there is a second factor. */
export default route<object, object, Chosen>(
  {
    role: 'anyone',
    brands: 'none',
    body: Joi.object({
      purpose: Joi.valid('invitation', 'new password').required(),
      code: text(40).required(),
      password: newPassword.required(),
    }),
  },
  async ({ event, body }) => {
    const { session, email } = await choosePassword(body, callerAddress(event))
    if (session) await keepSession(event, session, email)
    return { signedIn: session !== null }
  },
)
