import { asPreview } from '../../../core/documents/issue'
import { kindFacts } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { sentencesOf } from '../../../core/designs/pages'
import { clock } from '../../clock'
import { takenBack } from '../../db/connection'
import { renderPaper } from '../../render/pool'
import { makeAll } from '../documents/make-papers'
import type { Principal } from '../people/principal'
import { writeOrder, type WrittenOrder } from './new-order'

/*
 * The confirmation of an order that is being written, as it will be. The order is written, its document laid out, and
 * all of it taken back: nothing else could know better what it will be. Called from the form of a new order.
 */

/** @returns the PDF @throws Refusal of `writeOrder`, or "not-drawn" with what stands in the way */
export async function previewOrder(order: WrittenOrder, who: Principal): Promise<Uint8Array> {
  const kind = 'order confirmation'
  const made = await takenBack(async () => {
    const { id } = await writeOrder({ ...order, status: undefined }, who)
    return (await makeAll(kind, [id], { role: kindFacts[kind].to, copyTo: [] })).get(id)!
  })
  if (!made.paper) throw new Refusal('not-drawn', { values: { words: made.problem! } })
  const { bytes, problems } = await renderPaper(
    asPreview(made.paper),
    made.context.design.design,
    clock.now(),
  )
  if (!bytes)
    throw new Refusal('not-drawn', {
      values: { words: sentencesOf(problems) },
    })
  return bytes
}
