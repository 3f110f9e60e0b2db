import { createHash, randomBytes } from 'node:crypto'
import type { Day } from '../../../core/documents/days'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { ApiToken } from '../../db/models'
import type { User } from '../../http/route'
import { todayHere, tokenRows, revokeTokenOf, userOfToken, markTokenUsed } from './queries'

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
  /** The last day on which it opens anything; null for one without an end. */
  endsOn: Day | null
  /** That day is over. */
  ended: boolean | null
}

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/**
 * @param endsOn the last day on which it opens anything; null for one without an end
 * @returns the token in plain, this one time
 * @throws Refusal "day-over"
 */
export async function makeToken(
  name: string,
  scope: Scope,
  staffId: number,
  endsOn: Day | null = null,
): Promise<string> {
  if (endsOn !== null && endsOn < (await todayHere(clock.now()))) throw badInput('day-over', 'endsOn')
  const token = `clothespin_${randomBytes(32).toString('base64url')}`
  await ApiToken.create({ name, scope, hash: hashOf(token), staffId, madeAt: clock.now(), endsOn })
  return token
}

export async function tokens(): Promise<TokenView[]> {
  return tokenRows(clock.now())
}

/** @throws Refusal "no-such-token" */
export async function revokeToken(id: number): Promise<void> {
  await inTransaction(async () => {
    if ((await revokeTokenOf(id, clock.now())) === 0) throw new Refusal('no-such-token', { status: 404 })
  })
}

/** Who calls with a token; undefined for one that is unknown, revoked or over. */
export async function tokenUser(token: string): Promise<User | undefined> {
  const found = await userOfToken(hashOf(token), clock.now())
  if (!found) return undefined
  if (found.stale) await markTokenUsed(found.tokenId, clock.now())
  return {
    id: found.id,
    name: `${found.name} through ${found.tokenName}`,
    email: found.email,
    role: found.scope === 'read' || found.role === 'reader' ? 'reader' : 'clerk',
    session: `token ${found.tokenId}`,
    provedAt: null,
    brands: found.brands,
  }
}
