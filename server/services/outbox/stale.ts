import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { markBuiltFrom, type BuiltFrom } from './queries'

/**
 * Marks prepared papers that were built from something that has now changed, and has them built anew. In the
 * caller's transaction.
 */
export async function markStale(of: BuiltFrom, id: number): Promise<void> {
  const papers = await markBuiltFrom(of, id)
  if (papers.length === 0) return
  const preparedIds = papers.map((paper) => paper.id)
  await addJob('refresh-prepared', { preparedIds })
  publish('line', preparedIds)
}
