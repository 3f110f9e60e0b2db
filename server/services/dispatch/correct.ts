import { daysBetween, dayInZone, type Day } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction, rows, run } from '../../db/connection'
import { correctContacts } from '../customers/contacts'
import { company } from '../house/house'
import { sendAgain } from './by-hand'
import { theHouse, within } from '../people/principal'

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
  const found = await rows<Omit<StuckByAddress, 'days' | 'suggested' | 'why'>>(
    `select s.id, s.number, s.customer_name "customerName", s.is_copy "isCopy", max(d.date)::text "date",
      s.total::text total, s.currency, sum(i.open)::text open
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    join document d on d.id = dd.document_id
    left join open_item i on i.document_id = d.id
    where s.state = 'stuck' and s.channel = 'email' and ${within(who, 's.brand_id')} and exists (
      select from dispatch_recipient r
      where r.dispatch_id = s.id and r.address = lower($1) and r.outcome in ('bounced', 'refused'))
    group by s.id
    order by max(d.date) desc, s.id desc
    limit 500`,
    [address],
  )
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
  actor: string,
): Promise<{ customers: { id: number; name: string }[]; copies: number; ids: number[] }> {
  return inTransaction(async () => {
    const customers = await correctContacts(from, to, actor)
    const copies = await run(
      `update dispatch
      set
        to_addresses = (
          select jsonb_agg(case when lower(a) = lower($1) then $2 else a end)
          from jsonb_array_elements_text(to_addresses) a
        ),
        send_to = case when lower(send_to) = lower($1) then $2 else send_to end
      where state = 'stuck'
        and exists (select from jsonb_array_elements_text(to_addresses) a where lower(a) = lower($1))`,
      [from, to],
    )
    if (customers.length + copies === 0)
      throw new Refusal(
        'unknown-address',
        `${from} is at no customer and in no copy any more. Look at the customer's contacts.`,
      )
    const stuck = new Set((await stuckByAddress(from)).map((one) => one.id))
    const ids = await sendAgain(
      againIds.filter((id) => stuck.has(id)),
      actor,
    )
    return { customers, copies, ids }
  })
}
