import { ids, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { reverseWithdrawn } from '../../services/orders/withdrawn'

/** Voids or credits the chosen invoices whose order was withdrawn; answers what became of each. */
export default route<object, object, { ids: number[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ documents: body.ids }),
    body: Joi.object({ ids: ids.max(200) }),
  },
  ({ body, user }) => reverseWithdrawn({ documentIds: body.ids }, user),
)
