import { Joi, day, decimal, orderKind, text } from '../../http/checks'

/** What orders can be narrowed by, for its pages and for the whole as CSV. */
const search = text(100).allow('')

export const orderFilter = {
  search,
  statuses: Joi.array().items(text(40)).single().default([]),
  brand: text(10),
  over: decimal,
  /** A kind of document that they have none of. */
  without: orderKind,
  /** Those of which something went and something is left. */
  shipped: Joi.valid('in part').allow(''),
  from: day,
  sort: Joi.valid('date', 'number', 'customer', 'total', 'status').default('date'),
  descending: Joi.boolean().default(true),
}
