import { country, decimal, Joi, name, text } from '../../http/checks'

/** Which accounts a list or a run is about. */
export const accountFilter = {
  search: text(100).allow(''),
  only: Joi.valid('overdue', 'credit'),
  group: name(100),
  country,
  salesperson: name(200),
  overdueOver: decimal,
  balanceOver: decimal,
  field: name(60),
  fieldHolds: text(100).allow(''),
  brand: name(20),
  notStatedFor: Joi.number().integer().min(0).max(3650),
  notRemindedFor: Joi.number().integer().min(0).max(3650),
  lateOver: Joi.number().integer().min(0).max(3650),
}

export const accountSort = {
  sort: Joi.valid('overdue', 'name', 'balance').default('overdue'),
  descending: Joi.boolean().default(true),
}
