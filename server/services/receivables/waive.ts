import { dayInZone } from '../../../core/documents/days'
import { badInput, Refusal } from '../../../core/errors'
import { Decimal, moneyText } from '../../../core/money/decimal'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Allocation } from '../../db/models'
import { note } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { checkDate, lockItems } from './payment-checks'
import { clearPromise, lowerOpenItem, waivedOf } from './payments-queries'
import type { LockedItem } from './payments-queries'

/*
 * Waiving what is open of a document, such as a reminder's fee, without any payment; taken back by a counter-entry.
 * Called from an account. Dies half-way: everything is undone.
 */

/** What is waived of a document, and why. */
export interface Waiver {
  /** What was open of it as it was seen: where it is another sum by now nothing is waived. */
  open: string
  /** All of that, or a part. */
  amount: string
  reason: string
}

/**
 * Waives what is open of a document, as of today.
 * @throws Refusal "nothing-open", "open-changed", "bad-waiver", "closed-period"
 */
export async function waive(
  documentId: number,
  { open, amount, reason }: Waiver,
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    const item = await itemToWaive(documentId)
    if (item.voided || new Decimal(item.open).lte(0)) throw new Refusal('nothing-open')
    if (!new Decimal(item.open).eq(open))
      throw new Refusal('open-changed', {
        values: { number: item.number, open: item.open, currency: item.currency },
      })
    if (
      new Decimal(amount).lte(0) ||
      new Decimal(amount).gt(open) ||
      !new Decimal(amount).eq(moneyText(amount, item.currency))
    )
      throw badInput('bad-waiver', 'amount', { open: item.open, currency: item.currency })
    await book(item, amount, who)
    if (new Decimal(amount).eq(open)) await clearPromise(documentId)
    await note({ documentId }, who.name, told('money/waived', { sum: `${amount} ${item.currency}`, reason }))
  })
}

/**
 * Takes a sum back that was waived of a document: it is open again.
 * @throws Refusal "nothing-waived" where so much of it is not waived any more, "closed-period"
 */
export async function takeWaiverBack(documentId: number, amount: string, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const item = await itemToWaive(documentId)
    const { waived } = (await waivedOf(documentId))!
    if (new Decimal(amount).lte(0) || new Decimal(waived).lt(amount))
      throw new Refusal('nothing-waived', { values: { number: item.number } })
    await book(item, new Decimal(amount).neg().toString(), who)
    await note({ documentId }, who.name, told('money/owed-again', { sum: `${amount} ${item.currency}` }))
  })
}

async function itemToWaive(documentId: number): Promise<LockedItem> {
  const item = (await lockItems([documentId])).get(documentId)
  if (!item) throw new Refusal('no-such-document/nothing-paid', { status: 404 })
  return item
}

async function book({ id, currency }: LockedItem, amount: string, who: Principal): Promise<void> {
  const { timeZone } = await company()
  const today = dayInZone(clock.now(), timeZone)
  await checkDate(today)
  await Allocation.create({
    toDocumentId: id,
    waivedOn: today,
    kind: 'write-off',
    amount,
    currency,
    at: clock.now(),
    by: who.name,
  })
  await lowerOpenItem(id, amount)
  publish('payment')
  publish('register')
}
