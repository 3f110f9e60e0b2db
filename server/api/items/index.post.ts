import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepItem } from '../../services/items/items'
import { item, itemBodyLimit, itemOf, type WrittenItem } from './item.check'

export default route<object, object, WrittenItem>(
  { role: 'clerk', brands: 'none', body: Joi.object(item), bodyLimit: itemBodyLimit },
  async ({ body }) => ({ id: await keepItem(null, itemOf(body)) }),
)
