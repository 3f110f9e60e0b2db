import { textAudiences, textPlaces } from '../../../core/documents/standing-texts'
import { languages } from '../../../core/money/format'
import { day, id, Joi, kind, name, text } from '../../http/checks'

/** A standing text as it is written. */
export const standingText = {
  name: name(80).required(),
  kinds: Joi.array().items(kind).unique().default([]),
  brandId: id.allow(null).default(null),
  customers: Joi.valid(...textAudiences).default('all'),
  place: Joi.valid(...textPlaces).required(),
  texts: Joi.object(Object.fromEntries(languages.map((one) => [one, text(20_000).allow('')]))).required(),
  from: day.allow(null).default(null),
  until: day.allow(null).default(null),
}
