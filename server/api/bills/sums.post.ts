import type { BillFacts } from '../../../core/documents/bill'
import { billFacts } from '../../bill-check'
import { Joi } from '../../checks'
import { route } from '../../route'
import { billSums } from '../../services/bills/bills'

/** What a draft comes to as it stands on the screen. */
export default route<object, object, { facts: BillFacts }>(
  { role: 'reader', body: Joi.object({ facts: billFacts.required() }) },
  ({ body }) => billSums(body.facts),
)
