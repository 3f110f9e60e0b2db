import { day, idParam, ids, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { catchUp } from '../../../services/routines/catch-up'

/** Has the routine take chosen older orders, or payments, of a range of days. */
export default route<{ id: number }, object, { from: string; to: string; ids: number[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ sources: body.ids }),
    params: idParam,
    body: Joi.object({ from: day.required(), to: day.required(), ids }),
  },
  async ({ params, body, user }) => ({ taken: await catchUp(params.id, body, body.ids, user) }),
)
