import { channels } from '../../../core/preferences/recipients'
import { Joi, text } from '../../http/checks'

/** What customers can be narrowed by, for its pages and for the whole as CSV. */
const search = text(100).allow('')

export const customerFilter = {
  search,
  group: text(60),
  trouble: Joi.boolean(),
  preference: Joi.valid(...channels),
  sort: Joi.valid('name', 'number').default('name'),
  descending: Joi.boolean().default(false),
}
