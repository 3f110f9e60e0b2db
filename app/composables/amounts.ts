import { Decimal } from '../../core/money/decimal'
import { groupBy } from '../../core/group'

/** The sum of rows, one figure a currency: "€ 7,461.00 · £ 120.00". Exact decimals. */
export function addAmounts(rows: readonly { total: string, currency: string }[]): string {
  return [...groupBy(rows, row => row.currency)].map(([currency, some]) =>
    moneyWithSign(some.reduce((sum, row) => sum.plus(row.total), new Decimal(0)).toString(), currency)).join(' · ')
}
