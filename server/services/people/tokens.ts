import { createHash, randomBytes } from 'node:crypto'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction, one, rows, run } from '../../db/connection'
import { ApiToken } from '../../db/models'
import type { Role, User } from '../../route'
import { brandsOfStaff } from './principal'

/*
 * Tokens with which another program calls the API. Only the hash is kept; the token itself is shown once.
 * A token never may more than the person who made it, and "read" never writes.
 */

export type Scope = 'read' | 'write'
export interface TokenView {
  id: number
  name: string
  scope: Scope
  madeBy: string
  madeAt: Date
  usedOn: string | null
  revokedAt: Date | null
}

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** @returns the token in plain, this one time */
export async function makeToken(name: string, scope: Scope, staffId: number): Promise<string> {
  const token = `clothespin_${randomBytes(32).toString('base64url')}`
  await ApiToken.create({ name, scope, hash: hashOf(token), staffId, madeAt: clock.now() })
  return token
}

export async function tokens(): Promise<TokenView[]> {
  return rows<TokenView>(
    `select t.id, t.name, t.scope, s.name "madeBy", t.made_at "madeAt", t.used_on::text "usedOn",
      t.revoked_at "revokedAt"
    from api_token t
    join staff s on s.id = t.staff_id
    order by t.revoked_at is not null, t.id desc`,
  )
}

/** @throws Refusal "no-such-token" */
export async function revokeToken(id: number): Promise<void> {
  await inTransaction(async () => {
    if (
      (await run('update api_token set revoked_at = coalesce(revoked_at, $2) where id = $1', [
        id,
        clock.now(),
      ])) === 0
    )
      throw new Refusal('no-such-token', 'That token does not exist.', { status: 404 })
  })
}

/** Who calls with a token; undefined for one that is unknown or revoked. */
export async function tokenUser(token: string): Promise<User | undefined> {
  const found = await one<{
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
      t.used_on is distinct from $2::date stale
    from api_token t
    join staff s on s.id = t.staff_id
    where t.hash = $1 and t.revoked_at is null`,
    [hashOf(token), clock.now()],
  )
  if (!found) return undefined
  if (found.stale) await run('update api_token set used_on = $2 where id = $1', [found.tokenId, clock.now()])
  return {
    id: found.id,
    name: `${found.name} through ${found.tokenName}`,
    email: found.email,
    role: found.scope === 'read' || found.role === 'reader' ? 'reader' : 'clerk',
    session: `token ${found.tokenId}`,
    brands: found.brands,
  }
}
