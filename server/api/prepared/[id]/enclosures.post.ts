import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { addEnclosure } from '../../../services/enclosures/enclosures'
import { bytesIn, fileBodyLimit, newEnclosure, type NewEnclosure } from '../../enclosures/enclosure.check'

/** A file for one email: it goes along once the email that names it is kept. */
export default route<{ id: number }, object, NewEnclosure>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: newEnclosure,
    bodyLimit: fileBodyLimit,
  },
  ({ params, body: { file, ...change }, user }) =>
    addEnclosure({ preparedId: params.id }, bytesIn(file), change, user),
)
