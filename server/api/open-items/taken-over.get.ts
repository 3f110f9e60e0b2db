import { route } from '../../http/route'
import { takenOverView } from '../../services/receivables/take-over'

/** What came over from the program before this one, beside what that program says. */
export default route({ role: 'reader', brands: 'own' }, ({ user }) => takenOverView(user))
