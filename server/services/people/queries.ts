import { one, rows, run } from '../../db/connection'
import type { Role, User } from '../../http/route'
import { brandsOfStaff } from './brand-queries'
import type { TokenView, Scope } from './tokens'

/* The statements of people that have no file of their own. */

export const staffByEmail = (email: string) =>
  one<Omit<User, 'session'> & { hash: string }>(
    `select id, name, email, role, ${brandsOfStaff('staff')} brands, password_hash hash
    from staff
    where email = lower($email)`,
    { email },
  )

export const deleteEndedSessions = (now: Date) => run('delete from session where ends_at < $now', { now })

export const userOfSession = (session: string, now: Date) =>
  one<Omit<User, 'session'>>(
    `select s.id, s.name, s.email, s.role, ${brandsOfStaff('s')} brands from session x join staff s on s.id = x.staff_id
    where x.id = $session and x.ends_at > $now and x.role = s.role`,
    { session, now },
  )

export const deleteSession = (session: string) => run('delete from session where id = $session', { session })

export const tokenRows = () =>
  rows<TokenView>(
    `select t.id, t.name, t.scope, s.name "madeBy", t.made_at "madeAt", t.used_on::text "usedOn",
      t.revoked_at "revokedAt"
    from api_token t
    join staff s on s.id = t.staff_id
    order by t.revoked_at is not null, t.id desc`,
  )

export const revokeTokenOf = (id: number, now: Date) =>
  run('update api_token set revoked_at = coalesce(revoked_at, $now) where id = $id', { id, now })

export const userOfToken = (hash: string, now: Date) =>
  one<{
    id: number
    name: string
    email: string
    role: Role
    tokenId: number
    tokenName: string
    scope: Scope
    stale: boolean
    brands: number[] | null
  }>(
    `select s.id, s.name, s.email, s.role, ${brandsOfStaff('s')} brands, t.id "tokenId", t.name "tokenName", t.scope,
      t.used_on is distinct from $now::date stale
    from api_token t
    join staff s on s.id = t.staff_id
    where t.hash = $hash and t.revoked_at is null`,
    { hash, now },
  )

export const markTokenUsed = (id: number, now: Date) =>
  run('update api_token set used_on = $now where id = $id', { id, now })
