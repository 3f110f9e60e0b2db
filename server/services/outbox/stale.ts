import { addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { markBuiltFrom, markById, markOfHouse, markOfStatus, type BuiltFrom } from './queries'

/**
 * Marks prepared papers that were built from something that has now changed, and has them built anew. In the
 * caller's transaction.
 */
export async function markStale(of: BuiltFrom, id: number): Promise<void> {
  await rebuild(await markBuiltFrom(of, id))
}

/** The same for all there are, or those of the customers of a group, or in some currencies. */
export async function markAllStale(
  which: { group?: string; currencies?: readonly string[] } = {},
): Promise<void> {
  await rebuild(await markOfHouse(which))
}

/** The same for what tells how these orders stand. */
export async function markTold(orderIds: readonly number[]): Promise<void> {
  await rebuild(await markOfStatus(orderIds))
}

/** The same for some of them. */
export async function markThese(ids: readonly number[]): Promise<void> {
  await rebuild(await markById(ids))
}

async function rebuild(papers: readonly { id: number }[]): Promise<void> {
  if (papers.length === 0) return
  const ids = papers.map((paper) => paper.id)
  await addJobs('refresh-prepared', ids, 50, (preparedIds) => ({ preparedIds }))
  publish('line', ids)
}
