import type { StartPage } from '../../../core/house/start-pages'
import { one, rows, run } from '../../db/connection'
import type { Role, User } from '../../http/route'
import { brandsOfStaff } from './brand-queries'
import type { DeviceView } from './sign-in'
import type { TokenView, Scope } from './tokens'

/* The statements of people that have no file of their own. */

export const staffByEmail = (email: string) =>
  one<Omit<User, 'session'> & { hash: string }>(
    `select id, name, email, role, ${brandsOfStaff('staff')} brands, password_hash hash
    from staff
    where email = lower($email) and left_at is null`,
    { email },
  )

export const deleteEndedSessions = (now: Date) => run('delete from session where ends_at < $now', { now })

export const userOfSession = (session: string, now: Date) =>
  one<Omit<User, 'session'>>(
    `select s.id, s.name, s.email, s.role, ${brandsOfStaff('s')} brands, x.proved_at "provedAt"
    from session x
    join staff s on s.id = x.staff_id
    where x.id = $session and x.ends_at > $now and x.role = s.role and s.left_at is null`,
    { session, now },
  )

export const deleteSession = (session: string) => run('delete from session where id = $session', { session })

/** The day where the company is. */
export const todayHere = async (now: Date) =>
  (await one<{ today: string }>(
    'select ($now::timestamptz at time zone time_zone)::date::text today from company',
    { now },
  ))!.today

export const tokenRows = (now: Date) =>
  rows<TokenView>(
    `select t.id, t.name, t.scope, s.name "madeBy", t.made_at "madeAt", t.used_on::text "usedOn",
      t.revoked_at "revokedAt", t.ends_on::text "endsOn",
      t.ends_on < ($now::timestamptz at time zone (select time_zone from company))::date ended
    from api_token t
    join staff s on s.id = t.staff_id
    order by t.revoked_at is not null, t.id desc`,
    { now },
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
    where t.hash = $hash
      and t.revoked_at is null
      and s.left_at is null
      and (t.ends_on is null or t.ends_on >= ($now::timestamptz at time zone (select time_zone from company))::date)`,
    { hash, now },
  )

export const markTokenUsed = (id: number, now: Date) =>
  run('update api_token set used_on = $now where id = $id', { id, now })

const keyOf = (id: string) => `left(encode(sha256(convert_to(${id}, 'UTF8')), 'hex'), 16)`

/** Where a person is signed in; the key tells sessions apart and opens nothing. */
export const sessionsOf = (staffId: number, session: string, now: Date) =>
  rows<DeviceView>(
    `select ${keyOf('id')} key, device, made_at since, ends_at until, id = $session here
    from session
    where staff_id = $staffId and ends_at > $now
    order by id <> $session, made_at desc`,
    { staffId, session, now },
  )

export const deleteSessionByKey = (staffId: number, key: string) =>
  run(`delete from session where staff_id = $staffId and ${keyOf('id')} = $key`, { staffId, key })

export const markProved = (session: string, now: Date) =>
  run('update session set proved_at = $now where id = $session', { session, now })

export const nameDevice = (session: string, device: string) =>
  run('update session set device = $device where id = $session', { session, device })

/** Uses a recovery code up. @returns whether it was there to use */
export const takeRecoveryCode = async (staffId: number, hash: string, now: Date) =>
  (await run(
    `update recovery_code
    set used_at = $now
    where staff_id = $staffId and hash = $hash and used_at is null`,
    { staffId, hash, now },
  )) > 0

/** Uses a step of a second factor up, and all before it. @returns whether it was still to use */
export const takeStep = async (staffId: number, step: number) =>
  (await run(
    `update staff
    set second_factor_step = $step
    where id = $staffId and coalesce(second_factor_step, 0) < $step`,
    { staffId, step },
  )) > 0

/** Where a person chose to begin; '' for what the role begins with. */
export async function startPageOf(staffId: number): Promise<StartPage | ''> {
  const row = await one<{ startPage: StartPage | '' }>(
    'select start_page "startPage" from staff where id = $staffId',
    { staffId },
  )
  return row?.startPage ?? ''
}
