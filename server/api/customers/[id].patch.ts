import { treatments } from '../../../core/documents/treatment'
import { id, idParam, Joi, language, text } from '../../checks'
import { route } from '../../route'
import { changeCustomer, type CustomerChange } from '../../services/customers/customers'
import { wishes } from '../../wish-check'

const billing = Joi.object({ attention: text(80).allow(''), lines: Joi.array().items(text(80)).min(1).max(6).required(), country: text(60).required() }).allow(null)

export default route<{ id: number }, object, CustomerChange>({
  role: 'clerk', params: idParam, body: Joi.object({ version: id.required(), billing, language, wishes, treatment: Joi.valid(...treatments) }).or('billing', 'language', 'wishes', 'treatment'),
}, async ({ params, body, user }) => {
  await changeCustomer(params.id, body, user.name)
  return { ok: true }
})
