import { treatments } from '../../../../core/documents/treatment'
import { currency, Joi, language, name, terms } from '../../../http/checks'
import { preferences } from '../preference.check'

/** A group as it is written. */
export const group = {
  name: name(60).required(),
  language: language.allow(null).default(null),
  currency: currency.allow(null).default(null),
  terms: terms.allow(null).default(null),
  taxTreatment: Joi.valid(...treatments, null).default(null),
  pricesIncludeTax: Joi.boolean().allow(null).default(null),
  preferences: preferences.default({}),
}
