import { idParam } from '../../checks'
import { route } from '../../route'
import { draftView } from '../../services/drafts/drafts'

export default route<{ id: number }>({ role: 'reader', params: idParam }, ({ params }) =>
  draftView(params.id),
)
