import { route } from '../../http/route'
import { houseSettings } from '../../services/house/settings'

export default route({ role: 'reader', brands: 'none' }, () => houseSettings())
