import { Joi, text } from '../../../http/checks'
import { refuseToken } from '../../../http/own-session'
import { route } from '../../../http/route'
import { beginSecondFactor } from '../../../services/people/second-factor'

/** Puts a second factor in force; the recovery codes are answered this one time. */
export default route<object, object, { secret: string; code: string; password: string }>(
  {
    role: 'reader',
    brands: 'none',
    body: Joi.object({
      secret: Joi.string()
        .pattern(/^[A-Z2-7]{32}$/)
        .required(),
      code: text(12).required(),
      password: Joi.string().max(200).required(),
    }),
  },
  async ({ body, user }) => {
    refuseToken(user)
    return { codes: await beginSecondFactor(user.id, body) }
  },
)
