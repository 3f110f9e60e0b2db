import { callerAddress } from '../../http/caller'
import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { forgotPassword } from '../../services/staff/staff'

/** Asks for a mail with a code for a new password. The answer is the same whether somebody has this address or not. */
export default route<object, object, { email: string }>(
  { role: 'anyone', brands: 'none', body: Joi.object({ email: text(200).required() }) },
  async ({ event, body }) => {
    await forgotPassword(body.email, callerAddress(event))
    return { ok: true }
  },
)
