import { Refusal } from '../../../../core/errors'
import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { markSeen } from '../../../services/documents/refresh'

export default route<{ id: number }, object, { revision: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: Joi.object({ revision: id.required() }),
  },
  async ({ params, body, user }) => {
    if (!(await markSeen(params.id, body.revision, user))) throw new Refusal('changed-again')
    return { ok: true }
  },
)
