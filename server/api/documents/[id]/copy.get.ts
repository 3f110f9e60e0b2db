import { idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { copyToWrite, type CopyPurpose } from '../../../services/line/copy'
import { chosenText, copyPurpose } from '../copy.check'

/** A copy of a document as it would go: its email to be written, and the customer's people. */
export default route<{ id: number }, { purpose: CopyPurpose; text: number | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    query: Joi.object({ purpose: copyPurpose, text: chosenText }).unknown(),
  },
  ({ params, query, user }) => copyToWrite(params.id, query.purpose, user, query.text),
)
