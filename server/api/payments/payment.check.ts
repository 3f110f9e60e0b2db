import { paymentMethods } from '../../../core/documents/facts'
import { currency, day, id, Joi, text } from '../../http/checks'

/** An amount of money over or at zero, at the door. */
export const amount = Joi.string()
  .trim()
  .pattern(/^\d{1,12}(\.\d{1,3})?$/)
  .messages({ 'string.pattern.base': 'input/amount' })

export const settle = Joi.array()
  .items(
    Joi.object({
      documentId: id.required(),
      amount: amount.required(),
      discount: amount.default('0'),
      writeOff: amount.default('0'),
    }),
  )
  .max(500)

/** A payment or a refund with what it settles. */
export const payment = Joi.object({
  direction: Joi.valid('in', 'out').required(),
  customerId: id.required(),
  date: day.required(),
  method: Joi.valid(...paymentMethods).required(),
  amount: amount.required(),
  currency: currency.required(),
  reference: text(140).allow('').default(''),
  settle: settle.default([]),
  giveBack: Joi.array()
    .items(Joi.object({ paymentId: id.required(), amount: amount.required() }))
    .max(100)
    .default([]),
  another: Joi.boolean().default(false),
})
