import { type Day, dayInZone, dayWords } from '../../../core/documents/days'
import { badInput, Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { clock } from '../../clock'
import { company } from '../house/house'
import type { NewPayment } from './payments'
import { shareClosedUntil, samePayment, type LockedItem, lockSettledItems } from './payments-queries'

/*
 * What stands in the way of booking a payment: closed periods, the same money twice, items that cannot take it.
 * Called by payments.ts with the open items locked.
 */

/** @throws Refusal "future-date", "closed-period" */
export async function checkDate(date: Day): Promise<void> {
  const { timeZone } = await company()
  const { closedUntil } = (await shareClosedUntil())!
  if (date > dayInZone(clock.now(), timeZone)) throw badInput('future-date', 'date', { day: dayWords(date) })
  if (closedUntil !== null && date <= closedUntil)
    throw new Refusal('closed-period/payment', {
      values: { day: dayWords(date), day2: dayWords(closedUntil) },
      about: { field: 'date' },
    })
}

/** The same money on the same day from the same customer is booked once, unless somebody says that it is another. */
export async function refuseTwice(
  { customerId, direction, date, amount, currency, method }: NewPayment,
  name: string,
): Promise<void> {
  const same = await samePayment({ customerId, direction, date, amount, currency, method })
  if (same)
    throw new Refusal('booked-before', {
      values: {
        amount,
        currency,
        day: dayWords(date),
        direction: direction === 'in' ? 'from' : 'to',
        name,
        by: same.by,
      },
      about: { field: 'another' },
    })
}

/**
 * Open items locked in order of their documents, so that two people booking on the same one come one after
 * the other.
 */
export async function lockItems(documentIds: readonly number[]): Promise<Map<number, LockedItem>> {
  const found = await lockSettledItems(documentIds)
  return new Map(found.map((item) => [item.id, item]))
}

export function checkItems(
  { direction, settle }: NewPayment,
  items: ReadonlyMap<number, LockedItem>,
  customer: { id: number; name: string },
): void {
  settle.forEach(({ documentId }, index) => {
    const item = items.get(documentId)
    const about = { field: `settle.${index}.documentId` }
    if (!item) throw new Refusal('no-such-document/nothing-paid', { status: 404, about })
    if (item.customerId !== customer.id)
      throw new Refusal('other-customer', { values: { item: item.number, customer: customer.name }, about })
    if (item.voided) throw new Refusal('voided/nothing-owed', { values: { item: item.number }, about })
    const owed = new Decimal(item.open).times(direction === 'in' ? 1 : -1)
    if (owed.lte(0))
      throw new Refusal(direction === 'in' ? 'nothing-open/any-more' : 'nothing-open/refund', {
        values: { item: item.number },
        about,
      })
  })
  if (new Set(settle.map((line) => line.documentId)).size < settle.length)
    throw badInput('named-twice', 'settle')
}
