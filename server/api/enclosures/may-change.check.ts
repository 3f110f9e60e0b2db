import { refuseLimited } from '../../services/people/principal'
import { isStanding } from '../../services/enclosures/enclosures'
import { checkRole, type User } from '../../http/route'

/** Standing files are the whole house's: a supervisor's. What hangs on something is a clerk's, too. */
export async function checkMayChange(user: User, id: number): Promise<void> {
  if (!(await isStanding(id))) return
  checkRole(user, 'supervisor')
  refuseLimited(user)
}
