import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { markBuiltFrom, markOfGroup, type BuiltFrom } from './queries'

/**
 * Marks prepared papers that were built from something that has now changed, and has them built anew. In the
 * caller's transaction.
 */
export async function markStale(of: BuiltFrom, id: number): Promise<void> {
  await rebuild(await markBuiltFrom(of, id))
}

/** The same for all customers of a group, or of the house where it is null. */
export async function markAllStale(group: string | null): Promise<void> {
  await rebuild(await markOfGroup(group))
}

async function rebuild(papers: readonly { id: number }[]): Promise<void> {
  if (papers.length === 0) return
  const preparedIds = papers.map((paper) => paper.id)
  await addJob('refresh-prepared', { preparedIds })
  publish('line', preparedIds)
}
