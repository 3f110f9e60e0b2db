import { country, day, decimal, id, Joi, name, percent, text } from '../../http/checks'

/** A line of an order as it is written. */
export const line = Joi.object({
  item: text(40).allow('').required(),
  description: text(400).required(),
  detail: text(400).allow('', null).default(null),
  unit: text(12).allow('').default(''),
  quantity: decimal.required(),
  unitPrice: decimal.required(),
  discountPercent: decimal.default('0'),
  taxCode: text(30).required(),
  fields: Joi.object().pattern(text(60), text(200).allow('')).default({}),
})

/** A discount or charge on the whole of an order or a draft. */
export const adjustment = Joi.object({
  kind: Joi.valid('discount', 'charge').required(),
  label: text(120).required(),
  amount: decimal,
  percent,
  taxCode: text(20),
}).xor('amount', 'percent')

/** What an order can have beside its lines; what is left out stays as it is. */
export const orderExtras = {
  adjustments: Joi.array().items(adjustment).max(40),
  billToId: id.allow(null),
  delivery: Joi.object({
    name: name(120).required(),
    attention: text(80).allow(''),
    lines: Joi.array().items(text(80)).min(1).max(6).required(),
    country: country.required(),
  }).allow(null),
  internalNote: text(2000).allow(''),
  branchId: id.allow(null),
}

/** A new order; what is left out is as the customer or the company has it. */
export const newOrder = {
  number: name(30).allow(''),
  brandId: id.required(),
  customerId: id.required(),
  date: day,
  status: text(40),
  reference: text(80).allow('', null).default(null),
  customerNote: text(1000).allow('', null).default(null),
  salesperson: name(80).allow(''),
  fields: Joi.object().pattern(text(60), text(200).allow('')),
  ...orderExtras,
  lines: Joi.array().items(line).min(1).max(1000).required(),
}
