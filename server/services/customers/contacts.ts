import { Refusal } from '../../../core/errors'
import { isAddress, type ContactFacts, type Preferences } from '../../../core/preferences/recipients'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { Contact } from '../../db/models'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'

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
  actor: string,
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
    const customer = await one<{ version: number; name: string }>(
      'select version, name from customer where id = $1 for update',
      [id],
    )
    if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
    if (customer.version !== version)
      throw new Refusal('changed-meanwhile', `Somebody changed ${customer.name} meanwhile. Open it again.`)
    await run('update customer set version = version + 1 where id = $1', [id])
    await run('delete from contact where customer_id = $1', [id])
    await Contact.bulkCreate(contacts.map(({ name, email, role }) => ({ customerId: id, name, email, role })))
    await run(
      `insert into history (at, actor, source_id, words)
      select now(), $2, p.source_id, $3
      from prepared_document p
      where p.customer_id = $1 and p.state = 'prepared'`,
      [id, actor, `The contacts of ${customer.name} were changed.`],
    )
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
  actor: string,
): Promise<{ id: number; name: string }[]> {
  if (!isAddress(to))
    throw new Refusal('bad-address', `“${to}” is not an email address. Write one like name@house.example.`, {
      status: 400,
      about: { field: 'to' },
    })
  return inTransaction(async () => {
    const customers = await rows<{ id: number; name: string; preferences: Preferences }>(
      `select c.id, c.name, c.preferences
      from customer c
      where exists (select from contact k where k.customer_id = c.id and lower(k.email) = lower($1))
        or position(lower($2) in lower(c.preferences::text)) > 0
      order by c.id
      for update of c`,
      [from, JSON.stringify(from).slice(1, -1)],
    )
    if (customers.length === 0) return []
    await run('update contact set email = $2 where lower(email) = lower($1)', [from, to])
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
      await run('update customer set version = version + 1, preferences = $2::jsonb where id = $1', [
        id,
        json(now),
      ])
      await run(
        `insert into history (at, actor, source_id, prepared_id, words)
        select now(), $2, p.source_id, p.id, $3
        from prepared_document p
        where p.customer_id = $1 and p.state = 'prepared'`,
        [id, actor, `${from} was corrected to ${to}.`],
      )
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
