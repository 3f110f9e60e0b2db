import type { Currency, DecimalText } from '../money/decimal'

/** A price beside an item's own. */
export interface OtherPrice {
  currency: Currency
  /** A group of customers; '' for all. */
  groupName: string
  price: DecimalText
}

/**
 * The price of an item for a customer: of the customer's group in the order's currency, else of all in it, else the
 * item's own where the order is in the company's currency. Null where none is known: a person writes it.
 */
export function priceFor(
  item: { price: DecimalText; prices: readonly OtherPrice[] },
  of: { currency: Currency; groupName: string; companyCurrency: Currency },
): DecimalText | null {
  const there = item.prices.filter((one) => one.currency === of.currency)
  const found =
    (of.groupName && there.find((one) => one.groupName === of.groupName)) ||
    there.find((one) => one.groupName === '')
  return found?.price ?? (of.currency === of.companyCurrency ? item.price : null)
}
