import { Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { invite, type StaffChange } from '../../services/staff/staff'
import { person } from './staff.check'

/** Invites somebody; the answer holds a code to hand over where no mail can be sent yet. */
export default route<object, object, StaffChange & { email: string }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    body: Joi.object({ ...person, email: text(200).required() }),
  },
  ({ body }) => invite(body),
)
