import { day, id, Joi } from '../../http/checks'

/** What a statement tells of. */
export const period = Joi.alternatives().try(
  Joi.object({ form: Joi.valid('open items').required(), until: day.required() }),
  Joi.object({ form: Joi.valid('reminder').required(), until: day.required(), lastAgain: Joi.valid(true) }),
  Joi.object({ form: Joi.valid('activity').required(), from: day.required(), until: day.required() }),
)

/** A customer's account in a currency, over all brands. */
export const account = Joi.object({
  customerId: id.required(),
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/)
    .required(),
})
