import { isDeepStrictEqual } from 'node:util'
import { draftStatus, suppliedStatus } from '../../../core/orders/statuses'
import type { Language } from '../../../core/money/format'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { Company } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { usesOfStatus } from './house-lists-queries'

/*
 * The statuses of the house's orders, in their order.
 * Called from Settings, Orders, by a supervisor. Refuses to take away what is used, and says by what.
 */

export interface HouseLists {
  statuses: string[]
  /** Which statuses may follow a status; one that is not named may be followed by any. */
  steps: Record<string, string[]>
  /** What customers read of a status, by language; nothing where it is what the house calls it. */
  words: Record<string, Partial<Record<Language, string>>>
}

export async function houseLists(): Promise<HouseLists> {
  return listsOf((await Company.findByPk(1))!)
}

const listsOf = ({ orderStatuses, statusSteps, statusWords }: Company): HouseLists => ({
  statuses: orderStatuses,
  steps: statusSteps,
  words: { ...statusWords },
})

/** Statuses on which other things rest: an order begins as the one, and is supplied by the other. */
export const fixedStatuses: readonly string[] = [draftStatus, suppliedStatus]

/**
 * Keeps the lists.
 * @param before as they were on the screen
 * @throws Refusal "changed-meanwhile", "in-use", "fixed-status"
 */
export async function changeHouseLists(before: HouseLists, now: HouseLists): Promise<void> {
  await inTransaction(async () => {
    const company = (await Company.findByPk(1, { lock: true }))!
    const kept = listsOf(company)
    if (!isDeepStrictEqual(kept, before)) throw new Refusal('changed-meanwhile/statuses')
    if (now.statuses[0] !== draftStatus || !now.statuses.includes(suppliedStatus))
      throw badInput('fixed-status', 'statuses', { draftStatus, suppliedStatus })
    for (const status of kept.statuses.filter((one) => !now.statuses.includes(one)))
      await refuseUsedStatus(status)
    const unknown = [...Object.entries(now.steps).flat(2), ...Object.keys(now.words)].find(
      (status) => !now.statuses.includes(status),
    )
    if (unknown) throw badInput('unknown-status', 'steps', { status: unknown })
    await company.update({ orderStatuses: now.statuses, statusSteps: now.steps, statusWords: now.words })
    if (!isDeepStrictEqual(kept.words, now.words)) await markAllStale()
    publish('house')
  })
}

async function refuseUsedStatus(status: string): Promise<void> {
  const { orders, routine, stops } = (await usesOfStatus(status))!
  if (orders > 0)
    throw badInput('in-use/status', 'statuses', { orders: count(orders, 'order is', 'orders are'), status })
  if (routine) throw badInput('in-use/status-of-routine', 'statuses', { routine, status })
  if (stops) throw badInput('in-use/status-that-stops', 'statuses', { status })
}

const count = (orders: number, one: string, many: string) => `${orders} ${orders === 1 ? one : many}`
