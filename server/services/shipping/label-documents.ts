import { inTransaction } from '../../db/connection'
import { keepDraft, ClaimLost } from '../documents/prepare'
import { makeAll } from '../documents/make-papers'
import { lockSources } from '../documents/sources'
import { publish } from '../live/publish'
import { inTheNameOf } from '../people/principal'
import { unprintedLabels } from './labels-queries'

/*
 * The document of labels that were bought: all of a shipment that are on none yet. Called by label-documents once the
 * last of them is decided, and by the sweeper. Dies half-way: nothing is prepared, and it is called again.
 */

export async function makeLabelDocuments(shipmentIds: readonly number[]): Promise<void> {
  for (const id of shipmentIds) await makeOne(id)
}

const idsOf = (labels: readonly { id: number }[]) => labels.map(({ id }) => id).join()

async function makeOne(id: number, again = true): Promise<void> {
  const labels = await unprintedLabels([id])
  const newest = labels.toSorted((one, other) => other.id - one.id)[0]
  if (!newest) return
  const { routine, role, copyTo, trust, delayMinutes, hours } = newest.goesOn
  const addressing = { role, copyTo }
  const made = (await makeAll('shipping label', [id], addressing)).get(id)
  if (!made) return
  const outdated = await inTransaction(async () => {
    const versions = await lockSources([id])
    if (made.context.builtFrom.order !== versions.get(id)) return true
    // another label was bought or given back meanwhile
    if (idsOf(await unprintedLabels([id])) !== idsOf(made.context.source.shipment?.labels ?? [])) return true
    const who = inTheNameOf(newest.askedBy)
    await keepDraft({ kind: 'shipping label', addressing, trust, delayMinutes, hours, routine, who }, made)
    publish('order')
    return false
  }).catch((error: unknown) => {
    if (error instanceof ClaimLost) return true
    throw error
  })
  if (outdated && again) await makeOne(id, false)
}
