import { rows } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'

/* The statements of outbox that have no file of their own. */

/** What a prepared document is built from; a source counts with its parts. */
const built = {
  source: 'source_id in (select id from source where id = $1 or part_of = $1)',
  customer: 'customer_id = $1',
  brand: 'brand_id = $1',
}

/**
 * Marks prepared papers that were built from something that has now changed, and has them built anew. In the
 * caller's transaction.
 */
export async function markStale(of: keyof typeof built, id: number): Promise<void> {
  const papers = await rows<{ id: number }>(
    `update prepared_document
    set stale = true
    where ${built[of]} and state in ('prepared', 'due', 'put back')
    returning id`,
    [id],
  )
  if (papers.length > 0) {
    await addJob('refresh-prepared', { preparedIds: papers.map((paper) => paper.id) })
    publish(
      'line',
      papers.map((paper) => paper.id),
    )
  }
}
