import { Refusal } from '../../core/errors'
import type { User } from './route'

/** What only the person may do, signed in: no other program with a token. @throws Refusal "not-allowed" */
export function refuseToken(user: User): void {
  if (user.session.startsWith('token ')) throw new Refusal('not-allowed', { status: 403 })
}
