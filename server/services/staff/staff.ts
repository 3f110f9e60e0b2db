import { badInput, Refusal } from '../../../core/errors'
import type { StartPage } from '../../../core/house/start-pages'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { ApiToken, Session, Staff, StaffBrand } from '../../db/models'
import type { Role } from '../../http/route'
import { countWrongTry, refuseGuesser } from '../../http/rate'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { refuseBadAddress } from '../people/address'
import { makeCode } from '../people/one-time-codes'
import { codeHours } from '../people/new-password'
import { staffByEmail } from '../people/queries'
import { canMail } from '../house/mail-accounts-queries'
import { supervisorsBeside, staffRows } from './queries'

/*
 * Who works here: invited by mail, with a role and brands; who leaves loses everything at once but the name in the
 * history. Called from Settings, People, by a supervisor. Refuses to leave the house without a supervisor.
 */

export interface StaffView {
  id: number
  email: string
  name: string
  role: Role
  brandIds: number[]
  /** Where one begins; by the role where it is empty. */
  startPage: StartPage | ''
  /** "invited" until the first password is chosen. */
  state: 'invited' | 'works here' | 'left'
  leftAt: Date | null
  version: number
}

export const listStaff = (): Promise<StaffView[]> => staffRows()

export interface StaffChange {
  name: string
  role: Role
  /** None for all brands. */
  brandIds: number[]
  startPage?: StartPage | ''
}

/** An invitation: sent by mail, or, where no mail can be sent yet, a code to hand over. */
export interface Invitation {
  id: number
  code: string | null
}

/** @throws Refusal "same-address" */
export async function invite(person: StaffChange & { email: string }): Promise<Invitation> {
  refuseBadAddress(person.email)
  return inTransaction(async () => {
    const email = person.email.toLowerCase()
    const known = await Staff.findOne({ where: { email }, lock: true })
    if (known && !known.leftAt) throw badInput('same-address', 'email', { name: known.name })
    const { name, role, startPage } = person
    const facts = { name, role, startPage, passwordHash: '', leftAt: null }
    const staff = known
      ? await known.update({ ...facts, version: known.version + 1 })
      : await Staff.create({ ...facts, email })
    await keepBrands(staff.id, person.brandIds)
    publish('house')
    return { id: staff.id, code: await send(staff.id) }
  })
}

/** Sends an invitation anew; the one before is out of force. @throws Refusal "not-invited" */
export async function inviteAgain(id: number): Promise<Invitation> {
  return inTransaction(async () => {
    const staff = await lockStaff(id)
    if (staff.passwordHash !== '') throw new Refusal('not-invited', { values: { staff: staff.name } })
    return { id, code: await send(id) }
  })
}

async function send(staffId: number): Promise<string | null> {
  if (!(await canMail())) return makeCode('invitation', staffId, codeHours.invitation)
  await addJob('write-to-staff', { staffId, purpose: 'invitation' })
  return null
}

/**
 * Has a code for a new password written to who works here with this address. Says nothing of whether somebody does;
 * who asks often is made to wait. @throws Refusal "too-many-tries"
 */
export async function forgotPassword(email: string, place: string): Promise<void> {
  await refuseGuesser('forgotten', place)
  await countWrongTry('forgotten', place)
  const person = await staffByEmail(email.trim())
  if (person) await addJob('write-to-staff', { staffId: person.id, purpose: 'new password' })
}

async function lockStaff(id: number, version?: number): Promise<Staff> {
  const staff = await Staff.findByPk(id, { lock: true })
  if (!staff || staff.leftAt) throw new Refusal('no-such-person', { status: 404 })
  if (version !== undefined && staff.version !== version)
    throw new Refusal('changed-meanwhile/staff', { values: { staff: staff.name } })
  return staff
}

async function keepBrands(staffId: number, brandIds: readonly number[]): Promise<void> {
  await StaffBrand.destroy({ where: { staffId } })
  await StaffBrand.bulkCreate(brandIds.map((brandId) => ({ staffId, brandId })))
}

/** @throws Refusal "last-supervisor" */
async function refuseLast(staff: Staff): Promise<void> {
  if (staff.role === 'supervisor' && (await supervisorsBeside(staff.id)) === 0)
    throw new Refusal('last-supervisor', { values: { staff: staff.name } })
}

/** Changes name, role or brands. A changed role ends the person's sessions. */
export async function changeStaff(id: number, version: number, change: StaffChange): Promise<void> {
  await inTransaction(async () => {
    const staff = await lockStaff(id, version)
    if (change.role !== 'supervisor' || change.brandIds.length > 0) await refuseLast(staff)
    const { brandIds, ...facts } = change
    await staff.update({ ...facts, version: version + 1 })
    await keepBrands(id, brandIds)
    publish('house')
  })
}

/** Somebody leaves: sessions and tokens end at once, the name stays in the history. */
export async function leaveHouse(id: number, version: number): Promise<void> {
  await inTransaction(async () => {
    const staff = await lockStaff(id, version)
    await refuseLast(staff)
    const now = clock.now()
    await staff.update({ leftAt: now, passwordHash: '', version: version + 1 })
    await Session.destroy({ where: { staffId: id } })
    await ApiToken.update({ revokedAt: now }, { where: { staffId: id, revokedAt: null } })
    publish('house')
  })
}
