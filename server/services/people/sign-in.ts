import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { one } from '../../db/connection'
import type { Role } from '../../route'
import { hashPassword, passwordFits } from './passwords'

const mostTries = 8
const windowMilliseconds = 5 * 60_000
const tries = new Map<string, { count: number; since: number }>()

/** At most so many wrong passwords for one address from one place in five minutes. */
function limit(key: string): void {
  const now = clock.now().getTime()
  const known = tries.get(key)
  if (!known || now - known.since > windowMilliseconds) tries.set(key, { count: 1, since: now })
  else if (++known.count > mostTries)
    throw new Refusal('too-many-tries', 'Too many tries. Wait five minutes, then try again.', { status: 429 })
  if (tries.size > 10_000) tries.clear()
}

const nobody = hashPassword('nobody has this password')

/** @throws Refusal "wrong-password" in the same words and time whether the address is known or not; "too-many-tries" */
export async function signIn(
  email: string,
  password: string,
  from: string,
): Promise<{ id: number; name: string; email: string; role: Role }> {
  const key = `${email.toLowerCase()} ${from}`
  limit(key)
  const row = await one<{ id: number; name: string; email: string; role: Role; hash: string }>(
    'select id, name, email, role, password_hash hash from staff where email = lower($1)',
    [email.trim()],
  )
  const fits = await passwordFits(password, row?.hash ?? (await nobody))
  if (!row || !fits)
    throw new Refusal('wrong-password', 'Address and password do not fit together. Try again.', {
      status: 401,
      about: { field: 'password' },
    })
  tries.delete(key)
  return { id: row.id, name: row.name, email: row.email, role: row.role }
}
