import { route } from '../../route'
import { resumeAll } from '../../services/house/settings'

export default route({ role: 'supervisor' }, async () => {
  await resumeAll()
  return { ok: true }
})
