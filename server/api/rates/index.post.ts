import { currency, day, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { keepRates, type RateRow } from '../../services/house/rates'

const rate = Joi.object({
  currency: currency.required(),
  day: day.required(),
  rate: Joi.string()
    .pattern(/^(?=.*[1-9])\d{1,9}(\.\d{1,8})?$/)
    .required()
    .messages({ 'string.pattern.base': 'input/rate' }),
  source: text(80).required(),
})

/** Exchange rates: units of a currency for one of the house's own. */
export default route<object, object, { rates: RateRow[] }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      rates: Joi.array()
        .items(rate)
        .min(1)
        .max(2000)
        .unique((a: RateRow, b: RateRow) => a.currency === b.currency && a.day === b.day)
        .required(),
    }),
  },
  ({ body }) => keepRates(body.rates),
)
