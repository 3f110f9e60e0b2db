import { isDeepStrictEqual } from 'node:util'
import { Refusal } from '../../../core/errors'
import { withAddressReplaced, type ContactFacts } from '../../../core/preferences/recipients'
import { told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { Company, Contact, CustomerAddress, CustomerGroup } from '../../db/models'
import { markAllStale, markStale } from '../outbox/stale'
import { publish } from '../live/publish'
import {
  lockCustomer,
  raiseCustomerVersion,
  deleteContacts,
  noteOnPrepared,
  customersWithAddress,
  correctContactAddress,
  keepCorrected,
  noteOnEachPrepared,
} from './queries'
import { checkAddress, checkRole } from './checks'
import type { Principal } from '../people/principal'

/*
 * A customer's contacts: who is written to, in which role. Called where a paper has nobody to go to or came back.
 * Papers that are prepared are built anew; what waits or is stuck looks its recipients up when it is sent.
 */

/**
 * Replaces the contacts. @throws Refusal for an address that cannot be one, or when somebody changed the
 * customer meanwhile
 */
export async function changeContacts(
  id: number,
  version: number,
  contacts: ContactFacts[],
  who: Principal,
): Promise<void> {
  contacts.forEach(({ email }, index) => checkAddress(email, `contacts.${index}.email`))
  for (const [index, { role }] of contacts.entries()) await checkRole(role, `contacts.${index}.role`)
  await inTransaction(async () => {
    const customer = await lockCustomer(id)
    if (!customer) throw new Refusal('no-such-customer', { status: 404 })
    if (customer.version !== version)
      throw new Refusal('changed-meanwhile/customer', { values: { customer: customer.name } })
    await raiseCustomerVersion(id)
    await deleteContacts(id)
    await Contact.bulkCreate(contacts.map(({ name, email, role }) => ({ customerId: id, name, email, role })))
    await noteOnPrepared({
      customerId: id,
      actor: who.name,
      what: told('customer/contacts', { customer: customer.name }),
    })
    await markStale('customer', id)
    publish('line')
    publish('customer', [id])
  })
}

/** The copies that groups and the house wish; what is prepared for their customers is built anew. */
async function correctBeneath(from: string, to: string): Promise<void> {
  for (const group of await CustomerGroup.findAll()) {
    const preferences = withAddressReplaced(group.preferences, from, to)
    if (isDeepStrictEqual(preferences, group.preferences)) continue
    await group.update({ preferences, version: group.version + 1 })
    await markAllStale({ group: group.name })
  }
  const company = (await Company.findByPk(1))!
  const preferences = withAddressReplaced(company.preferences, from, to)
  if (isDeepStrictEqual(preferences, company.preferences)) return
  await company.update({ preferences })
  await markAllStale()
}

/**
 * Corrects an address everywhere it is used: at every contact and every wished copy of every customer.
 * @returns the customers that were changed
 * @throws Refusal "bad-address"
 */
export async function correctContacts(
  from: string,
  to: string,
  who: Principal,
): Promise<{ id: number; name: string }[]> {
  checkAddress(to, 'to')
  return inTransaction(async () => {
    const customers = await customersWithAddress(from, JSON.stringify(from).slice(1, -1))
    await correctBeneath(from, to)
    if (customers.length === 0) return []
    await correctContactAddress(from, to)
    for (const { id, preferences, billingMail } of customers) {
      await keepCorrected({
        id,
        preferences: withAddressReplaced(preferences, from, to),
        billingMail: withAddressReplaced(billingMail, from, to),
      })
      for (const address of await CustomerAddress.findAll({ where: { customerId: id } }))
        await address.update({ mail: withAddressReplaced(address.mail, from, to) })
      await noteOnEachPrepared({
        customerId: id,
        actor: who.name,
        what: told('customer/corrected', { from, to }),
      })
      await markStale('customer', id)
    }
    publish('line')
    publish(
      'customer',
      customers.map((customer) => customer.id),
    )
    return customers.map(({ id, name }) => ({ id, name }))
  })
}
