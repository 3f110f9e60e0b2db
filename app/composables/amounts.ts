import { moneyWithSign } from './format'
import { sumByCurrency } from '../../core/money/sums'

/** The sum of rows, one figure a currency: "€ 7,461.00 · £ 120.00". Exact decimals. */
export function addAmounts(rows: readonly { total: string; currency: string }[]): string {
  return sumByCurrency(rows)
    .map(({ currency, sum }) => moneyWithSign(sum, currency))
    .join(' · ')
}

/**
 * What a person wrote as an amount: "1.234,50", "1,234.50", "1'234.5" and "1234.5" are the same. Empty is
 * zero; what is no amount stays as it is.
 */
export function plainAmount(text: string): string {
  const bare = text.replace(/[\s'’]/g, '')
  const comma = bare.lastIndexOf(',') > bare.lastIndexOf('.')
  return (comma ? bare.replaceAll('.', '').replace(',', '.') : bare.replaceAll(',', '')) || '0'
}
