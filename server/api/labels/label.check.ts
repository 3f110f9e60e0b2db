import { labelLists } from '../../services/shipping/label-list'
import { day, Joi, text } from '../../http/checks'

/** What labels can be narrowed by, for their pages and for the whole as CSV. */
export const labelFilter = {
  what: Joi.valid(...labelLists).default('problem'),
  search: text(100).allow(''),
  brand: text(10),
  from: day,
  to: day,
}
