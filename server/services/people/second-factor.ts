import { createHash, randomBytes } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import { badInput, Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { RecoveryCode, Staff } from '../../db/models'
import { countWrongTry, forgetWrongTries, refuseGuesser } from '../../http/rate'
import { seal, unseal } from '../../outside/seal'
import { passwordFits } from './passwords'
import { takeRecoveryCode, takeStep } from './queries'

/*
 * A second factor: a code from an app on a phone (TOTP, RFC 6238: SHA-1, six digits, thirty seconds, one step either
 * way), each good once. Its secret is kept sealed. Ten recovery codes stand for a lost phone, once each.
 * Called by signing in and by the own page. Refuses guessers by the account.
 */

const period = 30
const sealedFor = 'second factor'
const totpOf = (secret: string, label = '') =>
  new TOTP({ issuer: 'Clothespin', label, secret: Secret.fromBase32(secret), period, digits: 6 })

const hashOf = (staffId: number, code: string) =>
  createHash('sha256')
    .update(`recovery ${staffId} ${code.toUpperCase().replace(/[^0-9A-Z]/g, '')}`)
    .digest('hex')

/** A secret that is not in force yet, as text and as the address that an app reads from a picture. */
export function newSecondFactor(email: string): { secret: string; uri: string } {
  const secret = new Secret({ size: 20 }).base32
  return { secret, uri: totpOf(secret, email).toString() }
}

/**
 * Puts a second factor in force, once its app has shown that it has it.
 * @returns the recovery codes, this one time
 * @throws Refusal "wrong-password", "wrong-code", "too-many-tries"
 */
export async function beginSecondFactor(
  staffId: number,
  given: { secret: string; code: string; password: string },
): Promise<string[]> {
  await checkOwnPassword(staffId, given.password)
  const step = stepOf(given.secret, given.code)
  if (step === null) throw badInput('wrong-code/clock', 'code')
  const codes = Array.from({ length: 10 }, () =>
    randomBytes(5)
      .toString('hex')
      .replace(/(.{5})/, '$1-'),
  )
  await inTransaction(async () => {
    const person = (await Staff.findByPk(staffId, { lock: true }))!
    await person.update({ sealedSecondFactor: seal(given.secret, sealedFor), secondFactorStep: String(step) })
    await RecoveryCode.destroy({ where: { staffId } })
    await RecoveryCode.bulkCreate(
      codes.map((code) => ({ staffId, hash: hashOf(staffId, code), usedAt: null })),
    )
  })
  return codes
}

/** Takes one's own second factor away. @throws Refusal "wrong-password", "too-many-tries" */
export async function endSecondFactor(staffId: number, password: string): Promise<void> {
  await checkOwnPassword(staffId, password)
  await dropSecondFactor(staffId)
}

/** For who has lost phone and codes: by bin/serve --reset on the machine itself. */
export async function dropSecondFactor(staffId: number): Promise<void> {
  await inTransaction(async () => {
    await Staff.update({ sealedSecondFactor: '', secondFactorStep: null }, { where: { id: staffId } })
    await RecoveryCode.destroy({ where: { staffId } })
  })
}

/** Somebody who is signed in shows their password. @throws Refusal "wrong-password", "too-many-tries" */
export async function checkOwnPassword(staffId: number, password: string): Promise<void> {
  const account = ['own password', `staff ${staffId}`] as const
  await refuseGuesser(...account)
  const person = (await Staff.findByPk(staffId))!
  if (!(await passwordFits(password, person.passwordHash))) {
    await countWrongTry(...account)
    throw badInput('wrong-password/second-factor', 'password')
  }
  await forgetWrongTries(...account)
}

/** The step that a code is of, counted from 1970; null where it fits none. */
function stepOf(secret: string, code: string): number | null {
  const now = clock.now().getTime()
  const delta = totpOf(secret).validate({ token: code.replace(/\s/g, ''), timestamp: now, window: 1 })
  return delta === null ? null : Math.floor(now / 1000 / period) + delta
}

/**
 * Asks for the second factor of somebody whose password fitted; nothing where there is none.
 * A code that was used is used, also by somebody who looked over a shoulder.
 * @throws Refusal "code-needed", "wrong-code"
 */
export async function checkSecondFactor(staffId: number, code: string): Promise<void> {
  const { sealedSecondFactor } = (await Staff.findByPk(staffId))!
  if (!sealedSecondFactor) return
  if (!code.trim()) throw new Refusal('code-needed', { status: 401, about: { field: 'code' } })
  if (/[a-z-]/i.test(code)) {
    if (await takeRecoveryCode(staffId, hashOf(staffId, code), clock.now())) return
    throw new Refusal('wrong-code/recovery', { status: 401, about: { field: 'code' } })
  }
  const step = stepOf(unseal(sealedSecondFactor, sealedFor), code)
  if (step === null || !(await takeStep(staffId, step)))
    throw new Refusal('wrong-code/used', { status: 401, about: { field: 'code' } })
}

/** Whether somebody has a second factor, and how many recovery codes are left. */
export async function secondFactorOf(staffId: number): Promise<{ on: boolean; codesLeft: number }> {
  const person = (await Staff.findByPk(staffId))!
  return {
    on: person.sealedSecondFactor !== '',
    codesLeft: await RecoveryCode.count({ where: { staffId, usedAt: null } }),
  }
}
