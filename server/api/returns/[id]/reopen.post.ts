import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { reopenReturn } from '../../../services/shipping/return-changes'

/** It is expected again: that it was taken in was a mistake. */
export default route<{ id: number }, object, { version: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({ version: id.required() }),
  },
  async ({ params, body, user }) => {
    await reopenReturn(params.id, body.version, user)
    return { reopened: true }
  },
)
