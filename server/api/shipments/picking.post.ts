import { ids, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { pickingFor } from '../../services/shipping/picking'

/** What is fetched from the warehouse for many orders, by place. */
export default route<object, object, { orderIds: number[] }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ body }) => ({ sources: body.orderIds }),
    body: Joi.object({ orderIds: ids }),
  },
  ({ body, user }) => pickingFor(body.orderIds, user),
)
