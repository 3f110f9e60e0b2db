import { dayInZone, dayWords, daysBetween, type Day } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { toldArrived, whyNotRemind } from '../../../core/receivables/reminders'
import { clock } from '../../clock'
import { company } from '../house/house'
import { houseSettings } from '../house/settings'
import { invoiceToRemind, moneyArrived } from './reminder-queries'

/*
 * Whether one invoice may be sent once more because it is not paid, and what the email says is still open of it.
 * Called when such an email is written and in the transaction that puts it on its way. Reads only.
 */

export interface InvoiceToRemind {
  number: string
  open: string
  dueDate: Day
  dispute: string
  disputed: boolean
  promisedOn: Day | null
  /** Null where its customer has no account yet. */
  accountId: number | null
  remindedOn: Day | null
}

const refusals = {
  'nothing open': 'not-to-remind/nothing-open',
  'not late': 'not-to-remind/not-late',
  disputed: 'not-to-remind/disputed',
  promised: 'not-to-remind/promised',
} as const

/**
 * What is open of an invoice that is late.
 * @param again somebody read that it was reminded of a short while ago
 * @throws Refusal "not-to-remind/…", "money-arrived", "reminded-lately", "no-such-document"
 */
export async function openToRemind(documentId: number, again: boolean): Promise<string> {
  const { timeZone } = await company()
  const today = dayInZone(clock.now(), timeZone)
  const invoice = await invoiceToRemind(documentId, timeZone)
  if (!invoice) throw new Refusal('no-such-document', { status: 404 })
  const { number, dispute, promisedOn, dueDate, accountId, remindedOn } = invoice
  const why = whyNotRemind(invoice, today)
  if (why)
    throw new Refusal(refusals[why], {
      values: { number, dispute, day: dayWords(why === 'promised' ? promisedOn! : dueDate) },
    })
  const [arrived] = accountId === null ? [] : await moneyArrived([accountId])
  if (arrived) throw new Refusal('money-arrived', { values: { words: toldArrived(arrived) } })
  const { daysBetween: days } = (await houseSettings()).reminders
  if (!again && remindedOn !== null && daysBetween(remindedOn, today) < days)
    throw new Refusal('reminded-lately', {
      values: { number, day: dayWords(remindedOn), days },
      about: { field: 'again' },
    })
  return invoice.open
}
