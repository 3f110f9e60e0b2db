import { stages } from '../core/dispatch/states'
import { channels } from '../core/preferences/recipients'
import { day, decimal, Joi, kind, text } from './checks'
import { registerStates } from './services/register/register'

/** What lists are narrowed by, for their pages and for the whole of them as CSV. */
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

export const orderFilter = {
  search,
  statuses: Joi.array().items(text(40)).single().default([]),
  brand: text(10),
  over: decimal,
  sort: Joi.valid('date', 'number', 'customer', 'total', 'status').default('date'),
  descending: Joi.boolean().default(true),
}

export const customerFilter = {
  search,
  group: text(60),
  trouble: Joi.boolean(),
  preference: Joi.valid(...channels),
  sort: Joi.valid('name', 'number').default('name'),
  descending: Joi.boolean().default(false),
}

export const paymentFilter = {
  search,
  direction: Joi.valid('in', 'out'),
  onAccount: Joi.boolean(),
  sort: Joi.valid('date', 'customer', 'method', 'rest', 'total').default('date'),
  descending: Joi.boolean().default(true),
}

export const lineFilter = {
  stage: Joi.valid(...stages).required(),
  kind,
  brand: text(10),
  over: decimal,
  search,
}
