import { adjustment } from '../orders/order.check'
import { currency, day, decimal, id, Joi, percent, text } from '../../http/checks'

const some = (most: number) => text(most).allow('', null).default(null).empty('')

export const draftLine = Joi.object({
  item: text(60).allow('').default(''),
  description: text(300).required(),
  detail: some(300),
  unit: text(20).allow('').default(''),
  quantity: decimal.required(),
  unitPrice: decimal.required(),
  discountPercent: percent.default('0'),
  taxCode: text(40).required(),
  fields: Joi.object().pattern(text(60), text(200).allow('')).default({}),
  orderLine: Joi.number().integer().min(1).max(100_000),
})

/** What of an invoice is to be credited: all that is left, quantities of lines, or an amount with tax. */
export const creditAsk = Joi.object({
  kind: Joi.valid('whole', 'lines', 'amount').required(),
  lines: Joi.array()
    .items(
      Joi.object({ line: Joi.number().integer().min(0).max(5000).required(), quantity: decimal.required() }),
    )
    .min(1)
    .max(2000)
    .when('kind', { is: 'lines', then: Joi.required(), otherwise: Joi.forbidden() }),
  amount: decimal.when('kind', { is: 'amount', then: Joi.required(), otherwise: Joi.forbidden() }),
})

/** What a person decides of an invoice or credit note being written. */
export const draftFacts = Joi.object({
  currency: currency.required(),
  pricesIncludeTax: Joi.boolean().required(),
  reference: some(120),
  customerNote: some(2000),
  suppliedOn: day.allow(null).default(null),
  date: day.allow(null).default(null),
  branchId: id.allow(null),
  lines: Joi.array().items(draftLine).max(2000).required(),
  adjustments: Joi.array().items(adjustment).max(40).default([]),
  deposit: Joi.boolean(),
  credit: Joi.object({ ask: creditAsk.required(), reason: text(300).required() }),
})
