import { Joi, text } from '../../checks'
import { route } from '../../route'
import { correctAddress } from '../../services/customers/contacts'

/** Corrects an address at every customer that has it. */
export default route<object, object, { from: string; to: string }>(
  { role: 'clerk', body: Joi.object({ from: text(320).required(), to: text(320).required() }) },
  async ({ body, user }) => ({ customers: await correctAddress(body.from, body.to, user.name) }),
)
