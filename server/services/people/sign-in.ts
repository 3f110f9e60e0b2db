import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { config } from '../../config'
import { Session } from '../../db/models'
import { countWrongTry, forgetWrongTries, refuseGuesser } from '../../http/rate'
import type { Role, User } from '../../http/route'
import { hashPassword, passwordFits } from './passwords'
import { checkOwnPassword, checkSecondFactor } from './second-factor'
import {
  staffByEmail,
  deleteEndedSessions,
  deleteSessionByKey,
  markProved,
  nameDevice,
  sessionsOf,
  userOfSession,
  deleteSession,
} from './queries'

/*
 * Signing in and out. A session is a row: without it the cookie is nothing, so signing out, a changed role
 * and leaving end it at once.
 * Guessing slows the guesser: tries are counted by the place they come from; a browser that has signed in
 * before has a place of its own.
 */

export const sessionHours = 12

const nobody = hashPassword('nobody has this password')

/**
 * What a browser keeps that has signed in with an address before; it opens nothing, it only tells it apart
 * from a guesser.
 */
export const knownMark = (email: string): string =>
  createHmac('sha256', config.secret)
    .update(`known browser of ${email.trim().toLowerCase()}`)
    .digest('base64url')

function isKnown(email: string, mark: string): boolean {
  const [given, wanted] = [Buffer.from(mark), Buffer.from(knownMark(email))]
  return given.length === wanted.length && timingSafeEqual(given, wanted)
}

/**
 * @throws Refusal "wrong-password" in the same words and time whether the address is known or not;
 * "too-many-tries"; "code-needed" or "wrong-code" of a second factor, once the password fitted
 */
export async function signIn(
  email: string,
  password: string,
  from: { address: string; mark: string },
  code = '',
): Promise<User> {
  const account = createHash('sha256').update(email.trim().toLowerCase()).digest('base64url').slice(0, 22)
  const place = isKnown(email, from.mark) ? `known ${account}` : from.address
  await refuseGuesser(account, place)
  const row = await staffByEmail(email.trim())
  const fits = await passwordFits(password, row?.hash || (await nobody))
  if (!row || !fits) {
    await countWrongTry(account, place)
    throw new Refusal('wrong-password/sign-in', { status: 401, about: { field: 'password' } })
  }
  try {
    await checkSecondFactor(row.id, code)
  } catch (error) {
    // asked for is not guessed
    if (error instanceof Refusal && error.code === 'wrong-code') await countWrongTry(account, place)
    throw error
  }
  await forgetWrongTries(account, place)
  const { id, name, role, brands } = row
  const session = await beginSession(id, role)
  return { id, name, email: row.email, role, brands, session, provedAt: clock.now() }
}

/** How long after showing who one is the screens that could let others in are open. */
const provedMinutes = 15

/** Whether somebody showed who they are a short while ago; a token never does. */
export const isProved = (user: User): boolean =>
  user.provedAt !== null && clock.now().getTime() - user.provedAt.getTime() < provedMinutes * 60_000

/**
 * Somebody who is signed in shows again who they are. @throws Refusal "wrong-password", "too-many-tries",
 * "code-needed", "wrong-code"
 */
export async function prove(user: User, password: string, code: string): Promise<void> {
  await checkOwnPassword(user.id, password)
  await checkSecondFactor(user.id, code)
  await markProved(user.session, clock.now())
}

/** A session of its own for somebody who has shown who they are. @returns its id */
export async function beginSession(staffId: number, role: Role): Promise<string> {
  const id = randomBytes(24).toString('base64url')
  const now = clock.now()
  await deleteEndedSessions(now)
  await Session.create({
    id,
    staffId,
    role,
    madeAt: now,
    provedAt: now,
    endsAt: new Date(now.getTime() + sessionHours * 3_600_000),
  })
  return id
}

/** Who has a session that still is one. */
export async function sessionUser(session: string): Promise<Omit<User, 'session'> | undefined> {
  return userOfSession(session, clock.now())
}

/** Where a person is signed in. */
export interface DeviceView {
  /** Tells sessions apart; it opens nothing. */
  key: string
  /** "Firefox on Linux"; empty where it is not known. */
  device: string
  since: Date
  until: Date
  /** The one that asks. */
  here: boolean
}

/** Keeps on which device a session was begun. */
export const rememberDevice = (session: string, device: string) => nameDevice(session, device)

export const devicesOf = (user: Pick<User, 'id' | 'session'>): Promise<DeviceView[]> =>
  sessionsOf(user.id, user.session, clock.now())

/** Signs a person out somewhere else. @throws Refusal "no-such-session" */
export async function endSessionElsewhere(staffId: number, key: string): Promise<void> {
  if ((await deleteSessionByKey(staffId, key)) === 0) throw new Refusal('no-such-session', { status: 404 })
}

/** Ends a session at once, also its open streams. */
export async function endSession(session: string): Promise<void> {
  await deleteSession(session)
}
