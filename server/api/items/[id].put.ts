import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepItem } from '../../services/items/items'
import { item, itemBodyLimit, itemOf, type WrittenItem } from './item.check'

export default route<{ id: number }, object, WrittenItem & { version: number }>(
  {
    role: 'clerk',
    brands: 'none',
    params: idParam,
    body: Joi.object({ ...item, version: id.required() }),
    bodyLimit: itemBodyLimit,
  },
  async ({ params, body: { version, ...change } }) => ({
    id: await keepItem(params.id, itemOf(change), version),
  }),
)
