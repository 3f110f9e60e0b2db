import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepBranch, type BranchChange } from '../../services/house/branches'
import { branch } from './branch.check'

export default route<{ id: number }, object, BranchChange & { version: number }>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId] }),
    params: idParam,
    body: Joi.object({ ...branch, version: id.required() }),
  },
  async ({ params, body: { version, ...change }, user }) => ({
    id: await keepBranch(params.id, change, user, version),
  }),
)
