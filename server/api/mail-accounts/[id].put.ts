import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepMailAccount, type MailAccountChange } from '../../services/house/mail-accounts'
import { account } from './account.check'

/** Changes a mail account; a password that is left out stays. */
export default route<{ id: number }, object, MailAccountChange & { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...account, version: id.required() }),
  },
  async ({ params, body }) => ({ id: await keepMailAccount(params.id, body) }),
)
