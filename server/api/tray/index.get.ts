import { route } from '../../route'
import { tray } from '../../services/dispatch/tray'

export default route({ role: 'reader' }, () => tray())
