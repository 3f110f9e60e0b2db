import { idParam, Joi, page } from '../../../../http/checks'
import { route } from '../../../../http/route'
import { type RowState } from '../../../../services/imports/imports'
import { importRows } from '../../../../services/imports/imports-queries'

/** The rows of an import, by line. */
export default route<{ id: number }, { state?: RowState; after?: string; limit: number }>(
  {
    role: 'reader',
    brands: 'all',
    params: idParam,
    query: Joi.object({ state: Joi.valid('right', 'wrong', 'written', 'unchanged'), ...page }),
  },
  ({ params, query }) => importRows({ importId: params.id, ...query }),
)
