import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { draftView } from '../../services/drafts/drafts'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => draftView(params.id),
)
