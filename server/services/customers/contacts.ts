import { Refusal } from '../../../core/errors'
import { isAddress, type ContactFacts } from '../../../core/preferences/recipients'
import { inTransaction } from '../../db/connection'
import { Contact } from '../../db/models'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'
import {
  lockCustomer,
  raiseCustomerVersion,
  deleteContacts,
  noteOnPrepared,
  customersWithAddress,
  correctContactAddress,
  keepCorrectedPreferences,
  noteOnEachPrepared,
} from './queries'
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
  contacts.forEach((contact, index) => {
    if (!isAddress(contact.email))
      throw new Refusal(
        'bad-address',
        `“${contact.email}” is not an email address. Write one like name@house.example.`,
        { status: 400, about: { field: `contacts.${index}.email` } },
      )
  })
  await inTransaction(async () => {
    const customer = await lockCustomer(id)
    if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
    if (customer.version !== version)
      throw new Refusal('changed-meanwhile', `Somebody changed ${customer.name} meanwhile. Open it again.`)
    await raiseCustomerVersion(id)
    await deleteContacts(id)
    await Contact.bulkCreate(contacts.map(({ name, email, role }) => ({ customerId: id, name, email, role })))
    await noteOnPrepared({
      customerId: id,
      actor: who.name,
      words: `The contacts of ${customer.name} were changed.`,
    })
    await markStale('customer', id)
    publish('line')
    publish('customer', [id])
  })
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
  if (!isAddress(to))
    throw new Refusal('bad-address', `“${to}” is not an email address. Write one like name@house.example.`, {
      status: 400,
      about: { field: 'to' },
    })
  return inTransaction(async () => {
    const customers = await customersWithAddress(from, JSON.stringify(from).slice(1, -1))
    if (customers.length === 0) return []
    await correctContactAddress(from, to)
    const corrected = (addresses: string[] | undefined) =>
      addresses?.map((address) => (address.toLowerCase() === from.toLowerCase() ? to : address))
    for (const { id, preferences } of customers) {
      const now = Object.fromEntries(
        Object.entries(preferences).map(([kind, preference]) => [
          kind,
          {
            ...preference,
            ...(preference.cc ? { cc: corrected(preference.cc) } : {}),
            ...(preference.bcc ? { bcc: corrected(preference.bcc) } : {}),
          },
        ]),
      )
      await keepCorrectedPreferences(id, now)
      await noteOnEachPrepared({ customerId: id, actor: who.name, words: `${from} was corrected to ${to}.` })
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
