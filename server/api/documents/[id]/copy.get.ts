import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { copyToWrite } from '../../../services/line/copy'

/** A copy of a document as it would go: its email to be written, and the customer's people. */
export default route<{ id: number }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
  },
  ({ params, user }) => copyToWrite(params.id, user),
)
