import { ids, Joi, text } from '../../checks'
import { route } from '../../route'
import { setStatus } from '../../services/orders/orders'

export default route<object, object, { ids: number[]; status: string }>(
  { role: 'clerk', body: Joi.object({ ids, status: text(40).required() }) },
  ({ body, user }) => setStatus(body.ids, body.status, user.name),
)
