import { route } from '../../http/route'
import { customerDefaults } from '../../services/customers/groups'

/** How documents reach customers as a rule, the roles of contacts, and the groups. */
export default route({ role: 'reader', brands: 'none' }, () => customerDefaults())
