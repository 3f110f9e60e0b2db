import { Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { keepGroup, type GroupChange } from '../../../services/customers/groups'
import { group } from './group.check'

export default route<object, object, GroupChange>(
  { role: 'supervisor', brands: 'all', body: Joi.object(group) },
  async ({ body }) => ({ id: await keepGroup(null, body) }),
)
