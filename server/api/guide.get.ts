import { route } from '../route'
import { setUpGuide } from '../services/house/guide'

export default route({ role: 'reader' }, () => setUpGuide())
