import { Joi, kind, day, text } from '../../http/checks'
import { registerStates } from '../../services/register/register'

/** What the register can be narrowed by, for its pages and for the whole as CSV. */
const search = text(100).allow('')

export const registerFilter = {
  search,
  state: Joi.valid(...registerStates),
  kind,
  brand: text(10),
  from: day,
  to: day,
}

export const registerSort = {
  sort: Joi.valid('issued', 'number', 'customer', 'total').default('issued'),
  descending: Joi.boolean().default(true),
}
