import { route } from '../../http/route'
import { branches } from '../../services/house/branches'

/** The places that one's brands sell from. */
export default route({ role: 'reader', brands: 'own' }, async ({ user }) => ({
  branches: (await branches()).filter((one) => user.brands?.includes(one.brandId) ?? true),
}))
