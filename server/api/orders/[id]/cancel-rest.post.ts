import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { cancelRest } from '../../../services/orders/cancel-rest'

/** Cancels what is left of an order to ship. */
export default route<{ id: number }, object, { version: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({ version: id.required() }),
  },
  async ({ params, body, user }) => ({ version: await cancelRest(params.id, body.version, user) }),
)
