import { channels } from '../../../core/wishes/recipients'
import { Joi, page, text } from '../../checks'
import { route } from '../../route'
import { listCustomers, type CustomerFilter } from '../../services/customers/customers'

export default route<object, CustomerFilter>({
  role: 'reader', query: Joi.object({ search: text(100).allow(''), group: text(60), trouble: Joi.boolean(), wish: Joi.valid(...channels), ...page }),
}, ({ query }) => listCustomers(query))
