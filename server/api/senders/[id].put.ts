import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepSender, type SenderChange } from '../../services/house/senders'
import { sender } from './sender.check'

export default route<{ id: number }, object, SenderChange & { version: number }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...sender, version: id.required() }),
  },
  async ({ params, body: { version, ...change } }) => ({ id: await keepSender(params.id, change, version) }),
)
