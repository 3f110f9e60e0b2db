import { day, Joi, kind, page, text } from '../../checks'
import { route } from '../../route'
import { register, registerStates, type RegisterFilter } from '../../services/register/register'

export default route<object, RegisterFilter>({
  role: 'reader',
  query: Joi.object({ search: text(100).allow(''), state: Joi.valid(...registerStates), kind, brand: text(10), from: day, to: day, sort: Joi.valid('issued', 'number', 'customer', 'total').default('issued'), descending: Joi.boolean().default(true), ...page }),
}, ({ query }) => register(query))
