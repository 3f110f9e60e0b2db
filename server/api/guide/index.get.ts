import { route } from '../../http/route'
import { setUpGuide } from '../../services/guide/guide'

export default route({ role: 'reader', brands: 'own' }, ({ user }) => setUpGuide(user))
