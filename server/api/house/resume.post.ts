import { route } from '../../http/route'
import { resumeAll } from '../../services/house/settings'

export default route({ role: 'supervisor', brands: 'all' }, async () => {
  await resumeAll()
  return { ok: true }
})
