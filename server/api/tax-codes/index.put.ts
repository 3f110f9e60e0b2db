import { languages } from '../../../core/money/format'
import { taxCategories, type TaxCode } from '../../../core/money/tax-codes'
import { day, id, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { keepTaxCode } from '../../services/house/tax'

const words = (most: number) =>
  Joi.object(Object.fromEntries(languages.map((language) => [language, name(most).allow('')])))

/** Writes a tax code: a new one with no version, a changed one with the version that was on the screen. */
export default route<object, object, TaxCode & { version: number | null }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      code: name(20).required(),
      category: Joi.valid(...taxCategories).required(),
      names: words(60).required(),
      reasons: words(300).required(),
      rates: Joi.array()
        .items(Joi.object({ from: day.required(), percent: Joi.string().trim().max(8).required() }))
        .max(60)
        .required(),
      version: id.allow(null).required(),
    }),
  },
  async ({ body: { version, ...code } }) => {
    await keepTaxCode(code, version)
    return { ok: true }
  },
)
