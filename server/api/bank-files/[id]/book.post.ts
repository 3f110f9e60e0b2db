import { idParam, ids, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { bookSure } from '../../../services/receivables/bank-booking'

/** Has the sure movements booked, all or those named. */
export default route<{ id: number }, object, { ids?: number[] }>(
  { role: 'clerk', brands: 'all', params: idParam, body: Joi.object({ ids: ids.optional() }) },
  async ({ params, body, user }) => ({ taken: await bookSure(params.id, body.ids ?? null, user) }),
)
