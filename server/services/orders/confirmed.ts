import { comparePapers, type PaperChange } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import { makeAll } from '../documents/make-papers'
import { confirmationPaper } from './queries'
import { confirmationsOf } from './source'

/*
 * What was confirmed of an order beside what it is now. Called by the order's page. Reads only.
 */

export interface Confirmed {
  documentId: number
  number: string
  date: string
  /** What the customer was told otherwise than it is now. */
  changes: PaperChange[]
  /** The revision is prepared and waits in To check. */
  waits: boolean
}

/** What a customer agreed to; how the sender looks is no part of it. */
const notAgreed = ['change/sender', 'change/language']

/** Null where nothing is confirmed, or all stands as it was confirmed. */
export async function confirmedOf(orderId: number): Promise<Confirmed | null> {
  const confirmed = (await confirmationsOf([orderId])).get(orderId)
  if (!confirmed) return null
  const made = (await makeAll('order confirmation', [orderId], {
    role: kindFacts['order confirmation'].to,
    copyTo: [],
  }))!.get(orderId)
  if (!made?.paper) return null
  const { paper, waits } = (await confirmationPaper(confirmed.id))!
  const changes = comparePapers(paper, made.paper).filter((change) => !notAgreed.includes(change.what.says))
  if (changes.length === 0) return null
  return { documentId: confirmed.id, number: confirmed.number, date: confirmed.date, changes, waits }
}
