import { Joi } from '../../../http/checks'
import { refuseToken } from '../../../http/own-session'
import { route } from '../../../http/route'
import { endSessionElsewhere } from '../../../services/people/sign-in'

/** Signs the person out on another device. */
export default route<{ key: string }>(
  {
    role: 'reader',
    brands: 'none',
    params: Joi.object({
      key: Joi.string()
        .pattern(/^[0-9a-f]{16}$/)
        .required(),
    }),
  },
  async ({ params, user }) => {
    refuseToken(user)
    await endSessionElsewhere(user.id, params.key)
    return { ok: true }
  },
)
