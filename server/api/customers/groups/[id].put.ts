import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { keepGroup, type GroupChange } from '../../../services/customers/groups'
import { group } from './group.check'

export default route<{ id: number }, object, GroupChange & { version: number }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...group, version: id.required() }),
  },
  async ({ params, body: { version, ...change } }) => ({ id: await keepGroup(params.id, change, version) }),
)
