import { ids, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { setAside } from '../../services/receivables/bank-booking'

/** Sets movements aside that are none of ours, with the reason. */
export default route<object, object, { ids: number[]; reason: string }>(
  { role: 'clerk', brands: 'all', body: Joi.object({ ids, reason: text(200).required() }) },
  async ({ body, user }) => ({ ids: await setAside(body.ids, body.reason, user) }),
)
