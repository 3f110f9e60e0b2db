import { addDays, dayInZone } from '../../core/documents/days'
import { run } from '../../server/db/connection'
import { clock } from '../../server/clock'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { inTheNameOf } from '../../server/services/people/principal'
import { recordPayment } from '../../server/services/receivables/payments'
import { prepareStatements } from '../../server/services/receivables/statements'
import { papersOf, type House } from './house'

/* What tests of the money side need of a house: invoices that are late, letters, and who does it. */

export const who = { ...inTheNameOf('Col Varley'), id: 1 }
export const today = () => dayInZone(clock.now(), 'Europe/Dublin')

/** An order's invoice over 612.54 of a customer by number, issued and not sent. */
export async function postedInvoice(house: House, customer: string): Promise<{ id: number; number: string }> {
  const { id, name } = house.customer(customer)
  const order = await house.newOrder({ customerId: id, customerName: name })
  await house.ship([order])
  const [paper] = await papersOf([order])
  const [result] = await issueInOneTransaction([{ preparedId: paper!.id, revision: null }], who, undefined, {
    postOnly: true,
  })
  return { id: result!.documentId!, number: result!.number! }
}

/** One that has been past due for so many days. */
export async function lateInvoice(house: House, customer: string, days: number) {
  const invoice = await postedInvoice(house, customer)
  await run('update open_item set due_date = $2::date where document_id = $1', [
    invoice.id,
    addDays(today(), -days),
  ])
  return invoice
}

/** Prepares a customer's reminder of today. */
export const prepareReminder = async (house: House, customer: string) =>
  (
    await prepareStatements(
      { customerId: house.customer(customer).id, currency: 'EUR' },
      { form: 'reminder', until: today() },
      who,
    )
  )[0]!

export const issuePrepared = async (preparedId: number) =>
  (await issueInOneTransaction([{ preparedId, revision: null }], who))[0]!

/** Books a bank transfer of today, all of it on one document. */
export const payInvoice = (
  house: House,
  customer: string,
  { documentId, amount, date = today() }: { documentId: number; amount: string; date?: string },
) =>
  recordPayment(
    {
      direction: 'in',
      customerId: house.customer(customer).id,
      date,
      method: 'bank transfer',
      amount,
      currency: 'EUR',
      reference: '',
      settle: [{ documentId, amount, discount: '0', writeOff: '0' }],
      another: true,
    },
    who,
  )
