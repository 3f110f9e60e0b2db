import { day, Joi, kind, text } from '../../checks'
import { route } from '../../route'
import { registerStates, registerSums, type RegisterFilter } from '../../services/register/register'

/** How many documents match a filter of the Register, and their sums by currency. */
export default route<object, RegisterFilter>({
  role: 'reader', query: Joi.object({ search: text(100).allow(''), state: Joi.valid(...registerStates), kind, brand: text(10), from: day, to: day }),
}, ({ query }) => registerSums(query))
