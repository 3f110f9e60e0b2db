import { day, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { lookBack } from '../../../services/routines/catch-up'

/** Older orders, or payments, the routine would have taken, in a range of days. */
export default route<{ id: number }, { from: string; to: string }>(
  {
    role: 'reader',
    brands: 'own',
    params: idParam,
    query: Joi.object({ from: day.required(), to: day.required() }),
  },
  ({ params, query, user }) => lookBack(params.id, query.from, query.to, user),
)
