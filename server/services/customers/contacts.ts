import { Refusal } from '../../../core/errors'
import { isAddress, type ContactFacts, type Wishes } from '../../../core/wishes/recipients'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { markStale } from '../documents/prepare'
import { publish } from '../live/publish'

/*
 * A customer's contacts: who is written to, in which role. Called where a paper has nobody to go to or came back.
 * Papers that are prepared are built anew; what waits or is stuck looks its recipients up when it is sent.
 */

export interface CustomerView { id: number, number: string, name: string, groupName: string, language: string, wishes: Wishes, version: number, contacts: ContactFacts[] }

/** @throws Refusal "no-such-customer" */
export async function customerView(id: number): Promise<CustomerView> {
  const customer = await one<Omit<CustomerView, 'contacts'>>('select id, number, name, group_name "groupName", language, wishes, version from customer where id = $1', [id])
  if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
  return { ...customer, contacts: await rows<ContactFacts>('select name, email, role from contact where customer_id = $1 order by id', [id]) }
}

/** Replaces the contacts. @throws Refusal for an address that cannot be one, or when somebody changed the customer meanwhile */
export async function changeContacts(id: number, version: number, contacts: ContactFacts[], actor: string): Promise<void> {
  contacts.forEach((contact, index) => {
    if (!isAddress(contact.email)) throw new Refusal('bad-address', `“${contact.email}” is not an email address. Write one like name@house.example.`, { status: 400, about: { field: `contacts.${index}.email` } })
  })
  await inTransaction(async () => {
    const customer = await one<{ version: number, name: string }>('select version, name from customer where id = $1 for update', [id])
    if (!customer) throw new Refusal('no-such-customer', 'That customer does not exist.', { status: 404 })
    if (customer.version !== version) throw new Refusal('changed-meanwhile', `Somebody changed ${customer.name} meanwhile. Open it again.`)
    await run('update customer set version = version + 1 where id = $1', [id])
    await run('delete from contact where customer_id = $1', [id])
    await run(`insert into contact (customer_id, name, email, role) select $1, c.name, c.email, c.role from jsonb_to_recordset($2::jsonb) as c (name text, email text, role text)`, [id, json(contacts)])
    await run(`insert into trail (at, actor, order_id, words) select now(), $2, p.order_id, $3 from paper p where p.customer_id = $1 and p.state = 'prepared'`, [id, actor, `The contacts of ${customer.name} were changed.`])
    await markStale('customer_id', id)
    publish('line')
  })
}
