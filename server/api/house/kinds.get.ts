import { route } from '../../http/route'
import { kindViews } from '../../services/house/kinds'

/** The kinds of document, whether the house uses them, and what rests on each. */
export default route({ role: 'reader', brands: 'none' }, () => kindViews())
