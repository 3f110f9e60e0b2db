import { rows } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'

/**
 * Marks prepared papers that were built from something that has now changed, and has them built anew. In the
 * caller's transaction.
 */
export async function markStale(
  where: 'order_id' | 'customer_id' | 'brand_id' | 'bill_id' | 'payment_id',
  id: number,
): Promise<void> {
  const papers = await rows<{ id: number }>(
    `update paper
    set stale = true
    where ${where} = $1 and state in ('prepared', 'due', 'put back')
    returning id`,
    [id],
  )
  if (papers.length > 0) {
    await addJob('refresh-papers', { paperIds: papers.map((paper) => paper.id) })
    publish(
      'line',
      papers.map((paper) => paper.id),
    )
  }
}
