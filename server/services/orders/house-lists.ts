import { isDeepStrictEqual } from 'node:util'
import { draftStatus, suppliedStatus } from '../../../core/orders/statuses'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { Company } from '../../db/models'
import { publish } from '../live/publish'
import { usesOfStatus } from './house-lists-queries'

/*
 * The statuses of the house's orders, in their order.
 * Called from Settings, Orders, by a supervisor. Refuses to take away what is used, and says by what.
 */

export interface HouseLists {
  statuses: string[]
  /** Which statuses may follow a status; one that is not named may be followed by any. */
  steps: Record<string, string[]>
}

export async function houseLists(): Promise<HouseLists> {
  const { orderStatuses, statusSteps } = (await Company.findByPk(1))!
  return { statuses: orderStatuses, steps: statusSteps }
}

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
    const kept = { statuses: company.orderStatuses, steps: company.statusSteps }
    if (!isDeepStrictEqual(kept, before)) throw new Refusal('changed-meanwhile/statuses')
    if (now.statuses[0] !== draftStatus || !now.statuses.includes(suppliedStatus))
      throw badInput('fixed-status', 'statuses', { draftStatus, suppliedStatus })
    for (const status of kept.statuses.filter((one) => !now.statuses.includes(one)))
      await refuseUsedStatus(status)
    const unknown = Object.entries(now.steps)
      .flat(2)
      .find((status) => !now.statuses.includes(status))
    if (unknown) throw badInput('unknown-status', 'steps', { status: unknown })
    await company.update({ orderStatuses: now.statuses, statusSteps: now.steps })
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
