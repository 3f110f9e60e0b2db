import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepMailAccount, type MailAccountChange } from '../../services/house/mail-accounts'
import { account } from './account.check'

export default route<object, object, MailAccountChange>(
  { role: 'supervisor', proved: true, brands: 'all', body: Joi.object(account) },
  async ({ body }) => ({ id: await keepMailAccount(null, { ...body, version: 1 }) }),
)
