import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepSender, type SenderChange } from '../../services/house/senders'
import { sender } from './sender.check'

export default route<object, object, SenderChange>(
  { role: 'supervisor', brands: 'all', body: Joi.object(sender) },
  async ({ body }) => ({ id: await keepSender(null, body) }),
)
