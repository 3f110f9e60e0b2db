import { id, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { newInvoice } from '../../services/drafts/drafts'

/** Begins an invoice without an order. */
export default route<object, object, { customerId: number; brandId: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId], customers: [body.customerId] }),
    body: Joi.object({ customerId: id.required(), brandId: id.required() }),
  },
  async ({ body, user }) => ({ draftId: await newInvoice(body.customerId, body.brandId, user) }),
)
