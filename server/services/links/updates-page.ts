import type { Language } from '../../../core/money/format'
import { company } from '../house/house'
import { updateEmail } from './updates-queries'
import { emailOfUpdatesToken, updatesToken } from './token'

/*
 * Where a customer says that they want no more order updates: the address of an email's List-Unsubscribe header
 * (RFC 8058), which no email with a document has. What follows from it is in customers/no-more-updates.
 */

export interface UpdatesPage {
  dispatchId: number
  customerId: number
  brandName: string
  language: Language
  colour: string
  /** None go any more. */
  stopped: boolean
}

/** The address that goes with an email of order updates alone; '' where links lead nowhere. */
export async function updatesMark(dispatchId: number): Promise<string> {
  const { publicAddress } = await company()
  return publicAddress ? `${publicAddress}/u/${updatesToken(dispatchId)}` : ''
}

/** The page of such an address; undefined where it was not made here. */
export async function updatesPage(token: string): Promise<UpdatesPage | undefined> {
  const id = emailOfUpdatesToken(token)
  return id === undefined ? undefined : updateEmail(id)
}
