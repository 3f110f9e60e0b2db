import { id, Joi } from '../../http/checks'
import { route } from '../../http/route'
import type { MailAccountChange } from '../../services/house/mail-accounts'
import { tryMailAccount } from '../../services/house/try-mail-account'
import { account } from './account.check'

/**
 * Connects, signs in and sends one email to the person who asks; each step with the server's answer. `id` names the
 * account whose password is used where none is given.
 */
export default route<object, object, MailAccountChange & { id?: number }>(
  { role: 'supervisor', proved: true, brands: 'all', body: Joi.object({ ...account, id }) },
  ({ body: { id: kept, ...change }, user }) => tryMailAccount(kept ?? null, change, user.email),
)
