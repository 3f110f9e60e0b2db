import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { leaveHouse } from '../../../services/staff/staff'

/** Somebody leaves: sessions and tokens end at once. */
export default route<{ id: number }, object, { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    body: Joi.object({ version: id.required() }),
  },
  async ({ params, body }) => {
    await leaveHouse(params.id, body.version)
    return { ok: true }
  },
)
