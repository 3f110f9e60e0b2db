import { route } from '../../http/route'
import { confirmInstallation } from '../../services/house/installation'

export default route({ role: 'supervisor', brands: 'all' }, async ({ user }) => {
  await confirmInstallation(user)
  return { ok: true }
})
