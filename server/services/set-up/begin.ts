import { randomUUID } from 'node:crypto'
import { starterRoutines, starterStatuses } from '../../../core/house/starter'
import { proposalFor } from '../../../core/house/from-country'
import { badInput, Refusal } from '../../../core/errors'
import type { Language } from '../../../core/money/format'
import type { TaxCode } from '../../../core/money/tax-codes'
import { inTransaction } from '../../db/connection'
import { Company, Staff } from '../../db/models'
import { publish } from '../live/publish'
import { refuseBadAddress } from '../people/address'
import { hashPassword } from '../people/passwords'
import { makeCode, opening, redeem } from '../people/one-time-codes'
import { beginSession } from '../people/sign-in'
import { inTheNameOf, type Principal } from '../people/principal'
import { addRoutine } from '../routines/routines'
import { howFar } from '../house/how-far'
import { lockHouseToBegin } from './queries'
import { keepInstallation } from '../house/installation'
import { keepTaxCode } from '../house/tax'

/*
 * The first visit: who works here first, and the company. The first brand is added like every other (add-brand.ts).
 * Called with the one-time code that the start printed, then by that supervisor. Refuses a house that has begun.
 */

/** So long the code of the first visit is good; a start prints a new one. */
const firstVisitHours = 24

/** A new code for the first visit; undefined once somebody works here. */
export async function firstVisitCode(): Promise<string | undefined> {
  return (await howFar()) === 'nobody' ? makeCode('first visit', null, firstVisitHours) : undefined
}

export interface FirstSupervisor {
  code: string
  name: string
  email: string
  password: string
}

/** Makes the first supervisor and signs them in. @returns the session's id @throws Refusal "wrong-code", "begun" */
export async function beginHouse(person: FirstSupervisor, place: string): Promise<string> {
  refuseBadAddress(person.email)
  const passwordHash = await hashPassword(person.password)
  return opening('first visit', place, async () => {
    await lockHouseToBegin()
    if ((await howFar()) !== 'nobody') throw new Refusal('begun')
    await redeem('first visit', person.code)
    const staff = await Staff.create({
      email: person.email.toLowerCase(),
      name: person.name,
      role: 'supervisor',
      passwordHash,
      leftAt: null,
    })
    return beginSession(staff.id, 'supervisor')
  })
}

export interface NewCompany {
  name: string
  country: string
  currency: string
  language: Language
  timeZone: string
  businessYearStart: number
  /** What links in emails begin with. */
  publicAddress?: string
  taxCodes: TaxCode[]
}

/** An email that nothing is heard of for so long counts as arrived: three days. */
const presumeSeconds = 3 * 86_400

function refuseUnknownZone(timeZone: string): void {
  try {
    new Intl.DateTimeFormat('en', { timeZone })
  } catch {
    throw badInput('unknown-zone', 'timeZone', { timeZone })
  }
}

/** Makes the company with its statuses, tax codes and three routines that are off. @throws Refusal "begun" */
export async function foundCompany(company: NewCompany, who: Principal & { email: string }): Promise<void> {
  refuseUnknownZone(company.timeZone)
  await inTransaction(async () => {
    await lockHouseToBegin()
    if ((await howFar()) !== 'no company') throw new Refusal('begun/company')
    const { taxCodes, ...facts } = company
    await Company.create({
      ...facts,
      id: 1,
      installationId: randomUUID(),
      orderStatuses: [...starterStatuses.all],
      heldStatuses: [...starterStatuses.held],
      withdrawnStatuses: [...starterStatuses.withdrawn],
      presumeSeconds,
      failureNoticeTo: who.email,
      terms: proposalFor(company.country).terms,
      pausedAt: null,
      pausedBy: null,
      rehearsalSince: null,
      rehearsalBy: null,
      closedUntil: null,
    })
    for (const code of taxCodes) await keepTaxCode(code, null)
    for (const routine of starterRoutines)
      await addRoutine({ ...routine, isOn: false }, inTheNameOf(who.name))
    await keepInstallation()
    publish('house')
  })
}
