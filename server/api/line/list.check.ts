import { stages } from '../../../core/dispatch/states'
import { Joi, kind, decimal, text } from '../../http/checks'

/** What the Line can be narrowed by, for its pages and for the whole as CSV. */
const search = text(100).allow('')

export const lineFilter = {
  stage: Joi.valid(...stages).required(),
  kind,
  brand: text(10),
  over: decimal,
  search,
}
