import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeStaff, type StaffChange } from '../../services/staff/staff'
import { person } from './staff.check'

export default route<{ id: number }, object, StaffChange & { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...person, version: id.required() }),
  },
  async ({ params, body: { version, ...change } }) => {
    await changeStaff(params.id, version, change)
    return { ok: true }
  },
)
