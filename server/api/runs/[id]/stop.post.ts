import { idParam } from '../../../checks'
import { route } from '../../../route'
import { stopRun } from '../../../services/documents/send-run'

export default route<{ id: number }>(
  { role: 'clerk', brands: 'own', of: ({ params }) => ({ runs: [params.id] }), params: idParam },
  async ({ params, user }) => {
    await stopRun(params.id, user.name)
    return { ok: true }
  },
)
