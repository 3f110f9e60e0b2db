import type { GoesOn } from '../../../core/shipping/labels'
import { inTransaction } from '../../db/connection'
import { keepDraft, ClaimLost } from '../documents/prepare'
import { makeAll } from '../documents/make-papers'
import { lockSources } from '../documents/sources'
import { publish } from '../live/publish'
import { inTheNameOf } from '../people/principal'
import { labelKindOf } from './labels'
import { consignmentToLabel, unprintedLabels } from './labels-queries'
import { noteToCome } from './returns-queries'

/*
 * The document of labels that were bought: all of a shipment that are on none yet, or the note of a return with them.
 * Called by label-documents once the last of them is decided, for a return without labels as well, and by the sweeper.
 * Dies half-way: nothing is prepared, and it is called again.
 */

export async function makeLabelDocuments(sourceIds: readonly number[]): Promise<void> {
  for (const id of sourceIds) await makeOne(id)
}

const idsOf = (labels: readonly { id: number }[]) => labels.map(({ id }) => id).join()

async function makeOne(id: number, again = true): Promise<void> {
  const goods = await consignmentToLabel(id)
  const how = goods && (await howOf(id, goods.isReturn))
  if (!how) return
  const kind = labelKindOf(goods)
  const { routine, role, copyTo, trust, delayMinutes, hours } = how.goesOn
  const addressing = { role, copyTo }
  const made = (await makeAll(kind, [id], addressing)).get(id)
  if (!made) return
  const outdated = await inTransaction(async () => {
    const versions = await lockSources([id])
    if (made.context.builtFrom.order !== versions.get(id)) return true
    // another label was bought or given back meanwhile
    const { shipment, goodsReturn } = made.context.source
    const labels = (goodsReturn ?? shipment)?.labels ?? []
    if (idsOf(await unprintedLabels([id])) !== idsOf(labels)) return true
    const who = inTheNameOf(how.askedBy)
    await keepDraft({ kind, addressing, trust, delayMinutes, hours, routine, who }, made)
    publish('order')
    return false
  }).catch((error: unknown) => {
    if (error instanceof ClaimLost) return true
    throw error
  })
  if (outdated && again) await makeOne(id, false)
}

/** How the document goes on: as the newest label says, or the return itself, where it comes without one. */
async function howOf(
  id: number,
  isReturn: boolean,
): Promise<{ goesOn: GoesOn; askedBy: string } | undefined> {
  const labels = await unprintedLabels([id])
  const newest = labels.toSorted((one, other) => other.id - one.id)[0]
  return newest ?? (isReturn ? noteToCome(id) : undefined)
}
