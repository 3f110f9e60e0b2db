import { day, idParam, ids, Joi } from '../../../checks'
import { route } from '../../../route'
import { catchUp } from '../../../services/routines/catch-up'

export default route<{ id: number }, object, { from: string, to: string, orderIds: number[] }>({
  role: 'clerk', params: idParam, body: Joi.object({ from: day.required(), to: day.required(), orderIds: ids }),
}, async ({ params, body, user }) => ({ taken: await catchUp(params.id, body, body.orderIds, user.name) }))
