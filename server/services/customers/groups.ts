import { isDeepStrictEqual } from 'node:util'
import type { Terms } from '../../../core/documents/terms'
import type { TaxTreatment } from '../../../core/documents/treatment'
import type { Language } from '../../../core/money/format'
import { suppliedRoles, type ContactRole, type Preferences } from '../../../core/preferences/recipients'
import { badInput, Refusal } from '../../../core/errors'
import { counted } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Company, CustomerGroup, Enclosure } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { checkPreference } from './customers'
import { customerRenamedGroup, groupRows, raiseVersions, usesOfRole, type GroupRow } from './groups-queries'

/*
 * What customers have in common: groups, how documents reach those that say nothing else, the roles of contacts.
 * Called from Settings, Customers, by a supervisor. A group's language, currency, terms and tax are given to new
 * customers; its delivery is found anew for every document. Refuses to take away what is used.
 */

export interface GroupChange {
  name: string
  language: Language | null
  currency: string | null
  terms: Terms | null
  taxTreatment: TaxTreatment | null
  pricesIncludeTax: boolean | null
  preferences: Preferences
}

export interface CustomerDefaults {
  preferences: Preferences
  roles: ContactRole[]
}

export async function customerDefaults(): Promise<CustomerDefaults & { groups: GroupRow[] }> {
  const { preferences, contactRoles } = (await Company.findByPk(1))!
  return { preferences, roles: contactRoles, groups: await groupRows() }
}

/**
 * Keeps how documents reach customers as a rule, and the roles of contacts.
 * @throws Refusal "changed-meanwhile", "in-use", "bad-address"
 */
export async function keepDefaults(before: CustomerDefaults, now: CustomerDefaults): Promise<void> {
  await inTransaction(async () => {
    const company = (await Company.findByPk(1, { lock: true }))!
    if (!isDeepStrictEqual({ preferences: company.preferences, roles: company.contactRoles }, before))
      throw new Refusal('changed-meanwhile/defaults')
    for (const role of before.roles.filter((one) => !now.roles.includes(one))) await refuseUsedRole(role)
    await company.update({ contactRoles: now.roles })
    for (const preference of Object.values(now.preferences)) await checkPreference(preference)
    if (!isDeepStrictEqual(before.preferences, now.preferences)) {
      await company.update({ preferences: now.preferences })
      await tellCustomers(null)
    }
    publish('house')
  })
}

async function refuseUsedRole(role: ContactRole): Promise<void> {
  if (suppliedRoles.includes(role)) throw badInput('in-use/supplied-role', 'now.roles', { role })
  const { contacts, routine } = (await usesOfRole(role))!
  if (contacts > 0)
    throw badInput('in-use/role-of-contacts', 'now.roles', {
      contacts: counted(contacts, 'contact'),
      role,
    })
  if (routine) throw badInput('in-use/role-of-routine', 'now.roles', { routine, role })
}

/** Adds a group (`id` null) or changes one. @throws Refusal "same-name", "changed-meanwhile", "bad-address" */
export async function keepGroup(id: number | null, change: GroupChange, version = 0): Promise<number> {
  for (const preference of Object.values(change.preferences)) await checkPreference(preference)
  return inTransaction(async () => {
    const twin = await CustomerGroup.findOne({ where: { name: change.name } })
    if (twin && twin.id !== id) throw badInput('same-name', 'name', { name: change.name })
    if (id === null) {
      const made = await CustomerGroup.create(change)
      publish('customer')
      return made.id
    }
    const group = await CustomerGroup.findByPk(id, { lock: true })
    if (!group) throw new Refusal('no-such-group', { status: 404 })
    if (group.version !== version)
      throw new Refusal('changed-meanwhile/group', { values: { group: group.name } })
    const oldName = group.name
    await group.update({ ...change, version: version + 1 })
    if (oldName !== change.name) await customerRenamedGroup(oldName, change.name)
    await tellCustomers(change.name)
    publish('customer')
    return id
  })
}

/** Takes a group away that nobody is in. @throws Refusal "in-use" */
export async function dropGroup(id: number): Promise<void> {
  await inTransaction(async () => {
    const group = (await groupRows()).find((one) => one.id === id)
    if (!group) return
    if (group.customers > 0)
      throw new Refusal('in-use/group', {
        values: {
          customers: counted(group.customers, 'customer'),
          group: group.name,
        },
      })
    const enclosure = await Enclosure.findOne({ where: { groupId: id } })
    if (enclosure)
      throw new Refusal('in-use/group-of-enclosure', {
        values: { file: enclosure.name, group: group.name },
      })
    await CustomerGroup.destroy({ where: { id } })
    publish('customer')
  })
}

/** Documents prepared for the customers of a group, or of the house, are built anew. */
async function tellCustomers(group: string | null): Promise<void> {
  await raiseVersions(group)
  await markAllStale(group === null ? {} : { group })
  publish('line')
  publish('customer')
}
