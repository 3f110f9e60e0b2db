import { Joi, country, currency, day, language, name, percent, publicAddress, text } from '../../http/checks'
import { route } from '../../http/route'
import { foundCompany, type NewCompany } from '../../services/set-up/begin'

const words = Joi.object().pattern(language, text(200).allow(''))

/** The company of a house that has none yet. */
export default route<object, object, NewCompany>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      name: name(120).required(),
      country: country.required(),
      currency: currency.required(),
      language: language.required(),
      timeZone: text(60).required(),
      publicAddress,
      businessYearStart: Joi.number().integer().min(1).max(12).default(1),
      taxCodes: Joi.array()
        .items(
          Joi.object({
            code: text(20).required(),
            category: Joi.valid('S', 'Z', 'E', 'O').required(),
            names: words.required(),
            reasons: words.default({}),
            rates: Joi.array()
              .items(Joi.object({ from: day.required(), percent: percent.required() }))
              .min(1)
              .max(20)
              .required(),
          }),
        )
        .min(1)
        .max(12)
        .required(),
    }),
  },
  async ({ body, user }) => {
    await foundCompany(body, user)
    return { ok: true }
  },
)
