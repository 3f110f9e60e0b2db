import { setResponseHeaders } from 'h3'
import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import type { WrittenOrder } from '../../services/orders/new-order'
import { previewOrder } from '../../services/orders/preview'
import { newOrder } from './order.check'

/** The confirmation of an order that is being written, as a PDF; nothing is kept. */
export default route<object, object, WrittenOrder>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId], customers: [body.customerId] }),
    body: Joi.object(newOrder),
  },
  async ({ event, body, user }) => {
    const bytes = await previewOrder(body, user)
    setResponseHeaders(event, { 'content-type': 'application/pdf', 'cache-control': 'no-store' })
    return Buffer.from(bytes)
  },
)
