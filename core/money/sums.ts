import { Decimal, type DecimalText } from './decimal'

export interface CurrencySum {
  currency: string
  sum: DecimalText
}

/** Exact sums, one a currency, in order of currency. */
export function sumByCurrency(amounts: readonly { total: DecimalText; currency: string }[]): CurrencySum[] {
  const sums = new Map<string, Decimal>()
  for (const { total, currency } of amounts)
    sums.set(currency, (sums.get(currency) ?? new Decimal(0)).plus(total))
  return [...sums]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([currency, sum]) => ({ currency, sum: sum.toFixed() }))
}
