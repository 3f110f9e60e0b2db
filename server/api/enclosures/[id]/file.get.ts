import { download } from '../../../http/download'
import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { enclosureFile } from '../../../services/enclosures/enclosures'

/** A file that goes along with documents. */
export default route<{ id: number }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ enclosures: [params.id] }),
    params: idParam,
  },
  async ({ event, params }) => download(event, await enclosureFile(params.id)),
)
