import { Joi, text } from '../../http/checks'
/** What payments can be narrowed by, for its pages and for the whole as CSV. */
const search = text(100).allow('')

export const paymentFilter = {
  search,
  direction: Joi.valid('in', 'out'),
  onAccount: Joi.boolean(),
  sort: Joi.valid('date', 'customer', 'method', 'rest', 'total').default('date'),
  descending: Joi.boolean().default(true),
}
