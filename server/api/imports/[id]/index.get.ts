import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { importView } from '../../../services/imports/imports'

/** One import: its making, mapping, state and counts. */
export default route<{ id: number }>({ role: 'reader', brands: 'all', params: idParam }, ({ params }) =>
  importView(params.id),
)
