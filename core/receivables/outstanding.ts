import { Decimal, type DecimalText } from '../money/decimal'

/**
 * Days sales outstanding: how many days' invoices are open. What is open ÷ what was invoiced less credited in the days
 * before × their number; null where nothing was invoiced then. In whole days, half up.
 */
export function daysOutstanding(open: DecimalText, invoiced: DecimalText, days: number): number | null {
  const sold = new Decimal(invoiced)
  if (sold.lte(0)) return null
  return new Decimal(open).times(days).div(sold).toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber()
}
