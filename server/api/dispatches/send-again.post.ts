import { ids, Joi } from '../../checks'
import { route } from '../../route'
import { sendAgain } from '../../services/dispatch/by-hand'

export default route<object, object, { ids: number[] }>({ role: 'clerk', body: Joi.object({ ids }) }, async ({ body, user }) => ({ ids: await sendAgain(body.ids, user.name) }))
