import { fork, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { rows, run } from '../server/db/connection'
import { changeHouse } from '../server/services/house/settings'
import { inTheNameOf } from '../server/services/people/principal'
import { bookLabels } from '../server/services/shipping/book-labels'
import { keepCarrier } from '../server/services/shipping/carriers'
import { makeLabelDocuments } from '../server/services/shipping/label-documents'
import { giveLabelsBack } from '../server/services/shipping/give-back'
import { askLabels, labelsOf } from '../server/services/shipping/labels'
import { changeShipment, shipmentView } from '../server/services/shipping/shipments'
import type { ParcelWay } from '../core/shipping/tracking'
import { followParcels } from '../server/services/shipping/tracking'

const bench = inTheNameOf('Col Varley')

/** The carrier's stand-in, while the house is loaded. */
export function startCarrier(): Promise<ChildProcess> {
  const child = fork(join('.build/js', 'carrier-standin.mjs'), [], { env: process.env })
  return new Promise((resolve, reject) => {
    child.once('message', () => resolve(child))
    child.once('exit', (code) => reject(new Error(`the stand-in carrier stopped with ${code}`)))
  })
}

const address = () => `http://127.0.0.1:${process.env.STANDIN_CARRIER_PORT}`

/**
 * Labels of what was packed: most bought, one of three parcels not weighed, one whose address the carrier does not
 * take, one given back; parcels that are under way, held and delivered.
 */
export async function labelShipments(): Promise<void> {
  await keepCarrier(null, {
    name: 'Glenhaven Parcels',
    kind: 'simulated',
    address: address(),
    inside: true,
    key: process.env.STANDIN_CARRIER_KEY!,
    version: 1,
  })
  await changeHouse({
    gs1Prefix: '5391234',
    serviceRules: [
      { service: 'Next day', countries: ['IE'], customers: [], overWeight: '', overTotal: '400' },
    ],
  })
  const shipments = await rows<{ id: number }>(
    `select id from shipment where state = 'packed' and service <> 'Our own van' order by id`,
  )
  const [withoutWeight, unfindable, ...others] = shipments.map(({ id }) => id)
  if (withoutWeight && unfindable) {
    await notWeighed(withoutWeight)
    await run(
      `update shipment set delivery = delivery || '{"lines": ["Unfindable Lane 7", "Marlbridge"]}' where id = $1`,
      [unfindable],
    )
  }
  const labelled = [withoutWeight, unfindable, ...others.slice(0, 9)].filter((id) => id !== undefined)
  for (const id of labelled) {
    await askLabels(id, {}, bench)
    await bookLabels((await labelsOf(id)).map((label) => label.id))
    await makeLabelDocuments([id])
  }
  await onItsWay(others.slice(0, 4), ['delivered', 'under way', 'held', 'accepted'])
  const [last] = await labelsOf(others[4] ?? 0)
  if (last?.state === 'made') {
    await giveLabelsBack([last.id], bench)
    await bookLabels([last.id])
  }
}

/** Nobody weighed the last of its parcels. */
async function notWeighed(id: number): Promise<void> {
  const { version, day, service, remarks, delivery, parcels } = await shipmentView(id)
  const kept = parcels.map(({ id: _, ...parcel }, place) =>
    place === parcels.length - 1 ? { ...parcel, weight: null } : parcel,
  )
  await changeShipment(id, { version, day, service, remarks, delivery, parcels: kept }, bench)
}

/** How far the parcels of some shipments or returns are by now. */
export async function onItsWay(sourceIds: readonly number[], ways: readonly ParcelWay[]): Promise<void> {
  for (const [place, id] of sourceIds.entries())
    for (const label of await labelsOf(id)) {
      if (label.state !== 'made') continue
      await fetch(`${address()}/counter/way`, {
        method: 'POST',
        body: new URLSearchParams({ number: label.tracking, way: ways[place]! }),
        redirect: 'manual',
      })
      await run(`update label set ask_way_at = now() where id = $1`, [label.id])
      await followParcels([label.id])
    }
}
