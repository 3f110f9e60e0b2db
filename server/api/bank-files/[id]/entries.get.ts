import { idParam, Joi, page } from '../../../checks'
import { route } from '../../../route'
import { entryStates, type EntryState } from '../../../services/receivables/bank'
import { bankEntries } from '../../../services/receivables/bank-queries'

/** The movements of a bank file, those that need somebody first. */
export default route<{ id: number }, { state?: EntryState; after?: string; limit: number }>(
  {
    role: 'reader',
    brands: 'all',
    params: idParam,
    query: Joi.object({ state: Joi.valid(...entryStates), ...page }),
  },
  ({ params, query }) => bankEntries({ fileId: params.id, ...query }),
)
