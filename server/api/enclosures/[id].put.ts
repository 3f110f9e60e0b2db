import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { changeEnclosure, type EnclosureChange } from '../../services/enclosures/enclosures'
import { bytesIn, changedEnclosure, fileBodyLimit } from './enclosure.check'
import { checkMayChange } from './may-change.check'

/** With what a file goes along, and another file in its place. */
export default route<{ id: number }, object, EnclosureChange & { version: number; file?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ enclosures: [params.id] }),
    params: idParam,
    body: changedEnclosure,
    bodyLimit: fileBodyLimit,
  },
  async ({ params, body: { file, ...change }, user }) => {
    await checkMayChange(user, params.id)
    await changeEnclosure(params.id, change, file === undefined ? undefined : bytesIn(file), user)
    return { ok: true }
  },
)
