import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { withdrawReturn } from '../../../services/shipping/return-changes'

/** Nothing comes back after all: its labels are given back. */
export default route<{ id: number }, object, { version: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({ version: id.required() }),
  },
  async ({ params, body, user }) => {
    await withdrawReturn(params.id, body.version, user)
    return { withdrawn: true }
  },
)
