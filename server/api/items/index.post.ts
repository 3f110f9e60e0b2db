import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepItem, type ItemChange } from '../../services/items/items'
import { item } from './item.check'

export default route<object, object, ItemChange>(
  { role: 'clerk', brands: 'none', body: Joi.object(item) },
  async ({ body }) => ({ id: await keepItem(null, body) }),
)
