import type { Day } from '../documents/days'
import { earlyPayment, type Terms } from '../documents/terms'
import { Refusal } from '../errors'
import { Decimal, moneyText, sum, type Currency, type DecimalText } from '../money/decimal'

/** An invoice or credit note with its open amount: above zero the customer owes it, below zero the house does. */
export interface OpenItem {
  id: number
  number: string
  date: Day
  dueDate: Day
  currency: Currency
  open: DecimalText
  /** What was to pay when it was issued. */
  amount: DecimalText
  terms: Terms
}

/**
 * What is booked on one open item: money, the early-payment discount that was taken, and a difference that is
 * waived.
 */
export interface Settlement {
  documentId: number
  amount: DecimalText
  discount: DecimalText
  writeOff: DecimalText
}

/**
 * What of an early-payment discount can be taken for a payment of a day: nothing once it is too late or
 * something is paid already.
 */
export function discountOn(item: OpenItem, paidOn: Day): DecimalText {
  const early = earlyPayment(item.date, item.amount, item.currency, item.terms)
  if (
    !early ||
    paidOn > early.until ||
    !new Decimal(item.open).eq(item.amount) ||
    new Decimal(item.open).lte(0)
  )
    return moneyText(0, item.currency)
  return moneyText(new Decimal(item.amount).minus(early.amount), item.currency)
}

/**
 * The tax in an early-payment discount that was taken: the supply costs so much less, at all its rates alike,
 * and its tax is less by the same part
 * (Directive 2006/112/EC, article 90). `tax` and `total` are the document's, with tax in the total.
 */
export function taxInDiscount(
  discount: DecimalText,
  { tax, total, currency }: { tax: DecimalText; total: DecimalText; currency: Currency },
): DecimalText {
  return new Decimal(total).isZero()
    ? moneyText(0, currency)
    : moneyText(new Decimal(discount).times(tax).div(total), currency)
}

/**
 * How a payment is spread over open items in the order given (oldest due first, as a rule): each as far as
 * the money reaches. An item that the money
 * reaches after its early-payment discount, or but for a small difference, is settled by it; the discount is
 * not taken where the money pays all in full.
 * @returns the settlements, and what of the money settles nothing
 */
export function spreadPayment(
  amount: DecimalText,
  items: readonly OpenItem[],
  { paidOn, smallDifference }: { paidOn: Day; smallDifference: DecimalText },
): { settlements: Settlement[]; rest: DecimalText } {
  const currency = items[0]?.currency ?? 'EUR'
  const money = (value: Decimal | DecimalText | number) => moneyText(value, currency)
  const inFull = new Decimal(amount).gte(sum(items.map((item) => item.open)))
  let left = new Decimal(amount)
  const settlements: Settlement[] = []
  for (const item of items) {
    if (left.lte(0)) break
    const discount = new Decimal(inFull ? 0 : discountOn(item, paidOn))
    const asked = new Decimal(item.open).minus(discount)
    const short = asked.minus(left)
    const reaches = short.lte(smallDifference)
    const paid = short.lte(0) ? asked : left
    settlements.push({
      documentId: item.id,
      amount: money(paid),
      discount: money(reaches ? discount : 0),
      writeOff: money(reaches && short.gt(0) ? short : 0),
    })
    left = left.minus(paid)
  }
  return { settlements, rest: money(left) }
}

/**
 * What is proposed for a payment: one that fits exactly one open item, in full or after its early-payment
 * discount, is proposed for that one;
 * any other is spread over all, oldest due first.
 */
export function proposePayment(
  amount: DecimalText,
  items: readonly OpenItem[],
  limits: { paidOn: Day; smallDifference: DecimalText },
): { settlements: Settlement[]; rest: DecimalText } {
  const exact = items.filter(
    (item) =>
      new Decimal(item.open).eq(amount) ||
      new Decimal(item.open).minus(discountOn(item, limits.paidOn)).eq(amount),
  )
  return spreadPayment(amount, exact.length === 1 ? exact : items, limits)
}

/** The part of a payment that the settlements take. */
export const settledBy = (settlements: readonly Pick<Settlement, 'amount'>[]): Decimal =>
  sum(settlements.map((one) => one.amount))

/**
 * Holds settlements against the money and the open items they name.
 * @throws Refusal "over-settled", "over-open", "other-currency" with the field
 */
export function checkSettlements(
  amount: DecimalText,
  currency: Currency,
  settlements: readonly Settlement[],
  items: ReadonlyMap<number, Pick<OpenItem, 'number' | 'currency' | 'open'>>,
): void {
  settlements.forEach((one, index) => {
    const item = items.get(one.documentId)!
    const field = `settle.${index}`
    if (item.currency !== currency)
      throw new Refusal('other-currency', {
        values: { item: item.number, currency: item.currency, currency2: currency },
        about: { field },
      })
    const booked = sum([one.amount, one.discount, one.writeOff])
    if (
      booked.lte(0) ||
      [one.amount, one.discount, one.writeOff].some((part) => new Decimal(part).isNegative())
    )
      throw new Refusal('nothing-settled', { values: { item: item.number }, about: { field } })
    const open = new Decimal(item.open).abs()
    if (booked.gt(open))
      throw new Refusal('over-open', {
        values: {
          item: item.number,
          open: moneyText(open, currency),
          currency,
          booked: moneyText(booked, currency),
        },
        about: { field },
      })
  })
  if (settledBy(settlements).gt(amount))
    throw new Refusal('over-settled', {
      values: {
        booked: moneyText(settledBy(settlements), currency),
        currency,
        paid: moneyText(amount, currency),
      },
      about: { field: 'settle' },
    })
}
