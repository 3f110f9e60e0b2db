import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { whyOf } from '../../../services/routines/why'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ sources: [params.id] }), params: idParam },
  ({ params }) => whyOf(params.id),
)
