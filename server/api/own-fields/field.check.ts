import { languages } from '../../../core/money/format'
import { Joi, name } from '../../http/checks'

/** What can change of an own field. */
export const changeable = {
  choices: Joi.array().items(name(60)).max(100).unique().default([]),
  labels: Joi.object(Object.fromEntries(languages.map((one) => [one, name(60).allow('')]))).default({}),
  printed: Joi.boolean().default(false),
}
