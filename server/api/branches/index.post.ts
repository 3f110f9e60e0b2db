import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepBranch, type BranchChange } from '../../services/house/branches'
import { branch } from './branch.check'

export default route<object, object, BranchChange>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId] }),
    body: Joi.object(branch),
  },
  async ({ body, user }) => ({ id: await keepBranch(null, body, user) }),
)
