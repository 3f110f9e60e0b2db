import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Session, Staff } from '../../db/models'
import { badInput, Refusal } from '../../../core/errors'
import { countWrongTry, forgetWrongTries, refuseGuesser } from '../../http/rate'
import { hashPassword, passwordFits } from './passwords'
import { makeCode, opening, redeem } from './one-time-codes'
import { staffByEmail } from './queries'
import { dropSecondFactor } from './second-factor'
import { beginSession, endSession } from './sign-in'

/*
 * Choosing a password: the first one with an invitation, a new one with a code or with the old one. All sessions of
 * the person end with it, but the one that it begins.
 * Called by who is not signed in, by the own page, and by bin/serve --reset.
 */

/** So long a code for a new password, and an invitation, are good. */
export const codeHours = { 'new password': 24, invitation: 7 * 24 } as const

/** A code for a new password for who works here; undefined for anybody else. */
export async function resetCode(email: string): Promise<string | undefined> {
  const person = await staffByEmail(email.trim())
  return person && makeCode('new password', person.id, codeHours['new password'])
}

/** The same on the machine itself, for who is locked out: a second factor goes with the old password. */
export async function resetCodeHere(email: string): Promise<string | undefined> {
  const person = await staffByEmail(email.trim())
  if (person) await dropSecondFactor(person.id)
  return resetCode(email)
}

export interface Chosen {
  purpose: keyof typeof codeHours
  code: string
  password: string
}

/**
 * @returns a session of the person's; none for who has a second factor and still signs in with it
 * @throws Refusal "wrong-code", "too-many-tries"
 */
export async function choosePassword(
  { purpose, code, password }: Chosen,
  place: string,
): Promise<{ session: string | null; email: string }> {
  const passwordHash = await hashPassword(password)
  return opening(purpose, place, async () => {
    const staffId = await redeem(purpose, code)
    const person = await Staff.findByPk(staffId!, { lock: true })
    if (!person || person.leftAt) throw new Refusal('wrong-code/sign-in', { status: 400 })
    const session = await setPassword(person, passwordHash)
    if (person.sealedSecondFactor === '') return { session, email: person.email }
    await endSession(session)
    return { session: null, email: person.email }
  })
}

/**
 * Who sits at an open screen may not guess the password either.
 * @returns a fresh session; all others have ended @throws Refusal "wrong-password", "too-many-tries"
 */
export async function changePassword(staffId: number, old: string, password: string): Promise<string> {
  const account = ['own password', `staff ${staffId}`] as const
  await refuseGuesser(...account)
  const before = (await Staff.findByPk(staffId))!
  if (!(await passwordFits(old, before.passwordHash))) {
    await countWrongTry(...account)
    throw badInput('wrong-password', 'old')
  }
  await forgetWrongTries(...account)
  const passwordHash = await hashPassword(password)
  return inTransaction(async () =>
    setPassword((await Staff.findByPk(staffId, { lock: true }))!, passwordHash),
  )
}

async function setPassword(person: Staff, passwordHash: string): Promise<string> {
  await person.update({ passwordHash })
  await Session.update({ endsAt: clock.now() }, { where: { staffId: person.id } })
  return beginSession(person.id, person.role)
}
