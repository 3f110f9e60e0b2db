import { idParam, Joi, page } from '../../../http/checks'
import { route } from '../../../http/route'
import { movementStates, type MovementState } from '../../../../core/receivables/movement-states'
import { bankEntries } from '../../../services/receivables/bank-queries'

/** The movements of a bank file, those that need somebody first. */
export default route<{ id: number }, { state?: MovementState; after?: string; limit: number }>(
  {
    role: 'reader',
    brands: 'all',
    params: idParam,
    query: Joi.object({ state: Joi.valid(...movementStates), ...page }),
  },
  ({ params, query }) => bankEntries({ fileId: params.id, ...query }),
)
