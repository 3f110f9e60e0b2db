import { provokedAddress } from '../core/dispatch/provoked'
import { one } from '../server/db/connection'
import { Customer } from '../server/db/models'
import { changeCustomer } from '../server/services/customers/customers'
import { prepareByHand } from '../server/services/documents/prepare-by-hand'
import { changeHouse } from '../server/services/house/settings'
import { sendCopy } from '../server/services/line/copy'
import { makeWith } from '../server/services/line/made-with'
import { inTheNameOf } from '../server/services/people/principal'
import { newestInvoiceOf } from './newest'

/* Emails that are not of every day, each once in the demo house. */

const clerk = inTheNameOf('Col Varley')

/** A customer who writes in order confirmations, and a colleague who reads in the evening what went. */
export async function rareEmails(): Promise<void> {
  await changeHouse({
    editableFiles: true,
    digest: { to: ['ida@tansyhollow.example'], kinds: ['invoice', 'credit note'], time: '17:30' },
  })
  const college = (await Customer.findOne({ where: { number: '10438' } }))!
  const kind = 'order confirmation'
  const preferences = {
    ...college.preferences,
    [kind]: { ...college.preferences[kind], form: 'odt' as const },
  }
  await changeCustomer(college.id, { version: college.version, preferences }, clerk)
  await aWordAboutAnOrder()
  await madeOtherwise()
  await aFailureOnPurpose()
}

/** A school is told that its order is packed, by an email alone: it waits in To check. */
async function aWordAboutAnOrder(): Promise<void> {
  const packed = await one<{ id: number }>(
    `select o.id
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.status = 'Packed' and c.group_name = 'Schools'
    order by o.id desc
    limit 1`,
  )
  if (packed) await prepareByHand('order update', [packed.id], clerk)
}

/** An invoice that waits is made in German this once. */
async function madeOtherwise(): Promise<void> {
  const waits = await one<{ id: number; revision: number }>(
    `select p.id, p.revision
    from prepared_document p
    join sales_order o on o.id = p.source_id
    where p.kind = 'invoice' and p.state = 'prepared' and p.problem is null and p.asked is null
      and p.own_email is null and p.content ->> 'language' = 'en'
    order by p.id
    limit 1`,
  )
  if (waits) await makeWith(waits.id, waits.revision, { language: 'de' }, clerk)
}

/** Somebody has seen where an email is caught whose mailbox is full. */
async function aFailureOnPurpose(): Promise<void> {
  const sent = await newestInvoiceOf('10427')
  if (sent) await sendCopy(sent.id, { address: provokedAddress('full') }, clerk)
}
