import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { runReport } from '../../services/runs/runs'

export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ runs: [params.id] }), params: idParam },
  ({ params }) => runReport(params.id),
)
