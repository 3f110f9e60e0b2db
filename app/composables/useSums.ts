import { totals, type Adjustment, type LineCharge, type Totals } from '../../core/money/totals'
import { useSession } from '../stores/session'

/** What the lines that are being written come to; undefined while a number in them is none. */
export function useSums(
  what: () => {
    currency: string
    pricesIncludeTax: boolean
    lines: readonly LineCharge[]
    adjustments: readonly Adjustment[]
  },
): ComputedRef<Totals | undefined> {
  const { taxRates } = useSession().house!.company
  return computed(() => {
    try {
      return totals({ ...what(), rates: taxRates, prepaid: '0' })
    } catch {
      return undefined
    }
  })
}
