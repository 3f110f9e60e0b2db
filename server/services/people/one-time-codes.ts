import { createHash, randomBytes } from 'node:crypto'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { OneTimeCode } from '../../db/models'
import { countWrongTry, forgetWrongTries, refuseGuesser } from '../../http/rate'
import { useCode } from './one-time-codes-queries'

/*
 * Codes that open one thing once: the first visit, an invitation, a new password. Only their hash is kept, and a
 * newer one of the same purpose and person puts the older ones out of force.
 * Called by bin/serve, the first visit, and Settings, People. Refuses guessers by the place they call from.
 */

export type CodePurpose = OneTimeCode['purpose']

/** Letters and digits that cannot be taken for one another (Crockford's base 32: no I, L, O, U). */
const alphabet = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/** As it is read: capitals, without what separates, and with the letters that people mistake put right. */
const plain = (code: string) =>
  code
    .toUpperCase()
    .replace(/[^0-9A-Z]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1')

const hashOf = (purpose: CodePurpose, code: string) =>
  createHash('sha256')
    .update(`${purpose} ${plain(code)}`)
    .digest('hex')

/** Four groups of four: 80 bits. */
function newCode(): string {
  const letters = [...randomBytes(16)].map((byte) => alphabet[byte % 32]).join('')
  return letters.match(/.{4}/g)!.join('-')
}

/** @param hours how long it is good @returns the code, this one time */
export async function makeCode(purpose: CodePurpose, staffId: number | null, hours: number): Promise<string> {
  const code = newCode()
  const now = clock.now()
  await inTransaction(async () => {
    await OneTimeCode.update({ usedAt: now }, { where: { purpose, staffId, usedAt: null } })
    await OneTimeCode.create({
      purpose,
      staffId,
      hash: hashOf(purpose, code),
      madeAt: now,
      endsAt: new Date(now.getTime() + hours * 3_600_000),
      usedAt: null,
    })
  })
  return code
}

/**
 * Uses a code up, in the transaction of what it opens; called within `opening`.
 * @returns whose it is; null for the first visit
 * @throws Refusal "wrong-code" in the same words for one that never was, was used, or has run out
 */
export async function redeem(purpose: CodePurpose, code: string): Promise<number | null> {
  const used = await useCode(purpose, hashOf(purpose, code), clock.now())
  if (used) return used.staffId
  throw badInput('wrong-code/one-time', 'code')
}

/**
 * Runs what a code opens, one transaction. Wrong codes are counted against the place, outside of it, so that they
 * stay counted. @throws Refusal "too-many-tries"
 */
export async function opening<Result>(
  purpose: CodePurpose,
  place: string,
  act: () => Promise<Result>,
): Promise<Result> {
  await refuseGuesser(purpose, place)
  try {
    const result = await inTransaction(act)
    await forgetWrongTries(purpose, place)
    return result
  } catch (error) {
    if (error instanceof Refusal && error.code === 'wrong-code') await countWrongTry(purpose, place)
    throw error
  }
}
