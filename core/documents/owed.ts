import { Decimal, moneyText, type DecimalText } from '../money/decimal'
import { kindFacts } from './kinds'
import type { Paper } from './paper'

/**
 * What issuing a Paper books on its customer's account: what is to be paid of an invoice, a credit below zero, what a
 * reminder costs where the house books that. Null where it books nothing.
 * @param paidNow what is to be paid of an invoice that a payment settles at once
 */
export function owedBy(
  { kind, amounts, currency, exact }: Pick<Paper, 'kind' | 'amounts' | 'currency' | 'exact'>,
  paidNow?: DecimalText | null,
): DecimalText | null {
  const charges = exact.reminder?.charges
  if (charges?.booked) return charges.total
  const { books } = kindFacts[kind]
  if (books === null) return null
  return books === 'debit'
    ? (paidNow ?? amounts.toPay)
    : moneyText(new Decimal(amounts.total).neg(), currency)
}
