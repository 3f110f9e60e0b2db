import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepItem, type ItemChange } from '../../services/items/items'
import { item } from './item.check'

export default route<{ id: number }, object, ItemChange & { version: number }>(
  { role: 'clerk', brands: 'none', params: idParam, body: Joi.object({ ...item, version: id.required() }) },
  async ({ params, body: { version, ...change } }) => ({ id: await keepItem(params.id, change, version) }),
)
