import type { BillFacts } from '../../../core/documents/bill'
import { billFacts } from '../../bill-check'
import { id, idParam, Joi } from '../../checks'
import { route } from '../../route'
import { changeBill } from '../../services/bills/bills'

export default route<
  { id: number },
  object,
  { version: number; facts: BillFacts; brandId: number; customerId: number; earlierDateOk: boolean }
>(
  {
    role: 'clerk',
    params: idParam,
    body: Joi.object({
      version: id.required(),
      facts: billFacts.required(),
      brandId: id.required(),
      customerId: id.required(),
      earlierDateOk: Joi.boolean().default(false),
    }),
  },
  async ({ params, body, user }) => {
    await changeBill(params.id, body, user.name)
    return { ok: true }
  },
)
