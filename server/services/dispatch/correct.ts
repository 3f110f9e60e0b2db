import { daysBetween, dayInZone, type Day } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { correctContacts } from '../customers/contacts'
import { company } from '../house/house'
import { sendAgain } from './by-hand'
import { type Principal, theHouse } from '../people/principal'
import { stuckDispatchesTo, correctDispatchAddress } from './queries'

/*
 * A wrong address is put right: at every customer that has it, and in the copies that were asked for with it;
 * what is stuck because of it goes again as chosen.
 * Called from Stuck. One transaction: the address and what goes again. Dies half-way: nothing was changed.
 * Refuses an address that cannot be written to, and one that nobody has.
 */

/** Documents older than so many days are not ticked to go again. */
export const oldAfterDays = 30

/** An email that is stuck because of an address. */
export interface StuckByAddress {
  id: number
  number: string
  customerName: string
  isCopy: boolean
  date: Day
  days: number
  total: string
  currency: string
  /** What is still to be paid of it; null for documents that ask for nothing. */
  open: string | null
  /** Whether it is ticked to go again, and if not why: paid, or old. */
  suggested: boolean
  why: '' | 'paid' | 'old'
}

/** Every email that is stuck because of an address, newest first. */
export async function stuckByAddress(address: string, who = theHouse): Promise<StuckByAddress[]> {
  const today = dayInZone(clock.now(), (await company()).timeZone)
  const found = await stuckDispatchesTo(who, address)
  return found.map((one) => {
    const days = daysBetween(one.date, today)
    const why = one.open !== null && Number(one.open) === 0 ? 'paid' : days > oldAfterDays ? 'old' : ''
    return { ...one, days, why, suggested: why === '' }
  })
}

/**
 * @returns the customers that were changed, how many copies, and the emails that go again. @throws Refusal
 * "bad-address", "unknown-address"
 */
export async function correctAddress(
  from: string,
  to: string,
  againIds: readonly number[],
  who: Principal,
): Promise<{ customers: { id: number; name: string }[]; copies: number; ids: number[] }> {
  return inTransaction(async () => {
    const customers = await correctContacts(from, to, who)
    const copies = await correctDispatchAddress(from, to)
    if (customers.length + copies === 0) throw new Refusal('unknown-address', { values: { from } })
    const stuck = new Set((await stuckByAddress(from)).map((one) => one.id))
    const ids = await sendAgain(
      againIds.filter((id) => stuck.has(id)),
      who,
    )
    return { customers, copies, ids }
  })
}
