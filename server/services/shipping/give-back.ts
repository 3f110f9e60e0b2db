import { Refusal } from '../../../core/errors'
import type { LabelState } from '../../../core/shipping/labels'
import { staysRight, type Labelled } from '../../../core/shipping/parcels'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { addJob } from '../../queue/add'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { labelTable } from './labels'
import { lockLabels, standingLabels } from './labels-queries'

/*
 * Labels that are not wanted any more, and what a label keeps as it is. Called by a shipment's screen, the list of
 * labels, and a shipment that is changed or taken back. The carrier itself is called by book-labels.
 */

/**
 * Gives labels back that nobody uses: those that were not asked for yet go, those that were bought are given back at
 * the carrier; of one that is unclear a person says that the carrier has none. In the caller's transaction or one of
 * its own.
 * @throws Refusal "label-not-there", "label-state"
 */
export async function giveLabelsBack(ids: readonly number[], who: Principal): Promise<void> {
  await inTransaction(async () => {
    const labels = await lockLabels(ids)
    if (labels.length < new Set(ids).size) throw new Refusal('label-not-there', { status: 404 })
    const other = labels.find(({ state }) => !['asked', 'made', 'refused', 'unclear'].includes(state))
    if (other) throw new Refusal('label-state', { values: { parcel: other.parcel, state: other.state } })
    const of = (state: LabelState) => labels.filter((label) => label.state === state).map(({ id }) => id)
    await moveRows(labelTable, 'withdraw', of('asked'))
    await moveRows(labelTable, 'close', of('refused'))
    // a person looked at the carrier, which has none
    await moveRows(labelTable, 'refuse', of('unclear'), {
      failure: 'not bought',
      reply: told('goods/label-looked', { person: who.name }).words,
    })
    const back = await moveRows(labelTable, 'cancel', of('made'), { next_try_at: clock.now(), tries: 0 })
    if (back.length > 0) await addJob('book-labels', { labelIds: back.map(({ id }) => id) })
    await noteAll(
      labels.map(({ sourceId, parcel, state, tracking }) => ({
        sourceId,
        actor: who.name,
        ...toldGivenBack({ parcel, state, tracking }, who),
      })),
    )
    publish('line')
    publish('order')
  })
}

/**
 * Labels that stand say what their parcels weigh and where they go: none of it changes.
 * @throws Refusal "label-of-parcel"
 */
export async function refuseLabelled(sourceId: number, before: Labelled, after: Labelled): Promise<void> {
  const changed = (await standingLabels(sourceId)).find(
    ({ parcelId, parcel }) => parcelId !== null && !staysRight(parcel, before, after),
  )
  if (changed)
    throw new Refusal('label-of-parcel', {
      values: { parcel: changed.parcel, tracking: changed.tracking || changed.state },
      about: { field: 'parcels' },
    })
}

function toldGivenBack(
  { parcel, state, tracking }: { parcel: number; state: LabelState; tracking: string },
  who: Principal,
): Told {
  if (state === 'made') return told('goods/label-going-back', { parcel, tracking })
  return state === 'unclear'
    ? told('goods/label-there-is-none', { parcel, person: who.name })
    : told('goods/label-not-wanted', { parcel })
}
