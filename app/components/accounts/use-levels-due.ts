import { fetchLevelsDue } from '../../calls/accounts'
import { attempt } from '../../composables/api'
import { useNewest } from '../../composables/useNewest'
import type { AccountRow } from '../../contract'

/** So many are asked for at once. */
const most = 200

/**
 * The level of the reminder that is due of each account of a list; asked for once the list stands, so that nobody
 * waits for it.
 */
export function useLevelsDue(rows: Readonly<Ref<readonly AccountRow[]>>) {
  const levels = shallowRef(new Map<string, number>())
  const keyOf = (one: { customerId: number; currency: string }) => `${one.customerId} ${one.currency}`
  const newest = useNewest()
  watch(rows, async (now) => {
    const late = now.filter((one) => Number(one.overdue) > 0).slice(0, most)
    if (late.length === 0) return
    const accounts = late.map(({ customerId, currency }) => ({ customerId, currency }))
    await attempt(async () => {
      const found = await newest(() => fetchLevelsDue({ accounts }))
      if (found) levels.value = new Map(found.map((one) => [keyOf(one), one.level]))
    })
  })
  return { levelOf: (one: AccountRow) => levels.value.get(keyOf(one)) }
}
