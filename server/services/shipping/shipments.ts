import type { Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import type { Language } from '../../../core/money/format'
import { checkParcels, type Box, type ParcelFacts } from '../../../core/shipping/parcels'
import { shipmentLifecycle, type ShipmentState } from '../../../core/shipping/states'
import { counted, joined, told, toldKind, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { undoPrepared } from '../documents/prepare-by-hand'
import { historyOf, noteAll, type HistoryEntry } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { giveLabelsBack, refuseLabelled } from './give-back'
import { labelsOf, type LabelView } from './labels'
import { standingLabels } from './labels-queries'
import { nameOf, shown, type LineToShip } from './pack'
import { standingOfOrders } from './parts'
import {
  documentsOf,
  keepParcels,
  linesOfShipment,
  lockOrderToShip,
  lockShipment,
  papersOf,
  parcelsOf,
  servicesUsed,
  shipmentRow,
  updateShipment,
} from './queries'

/*
 * A shipment once it is packed: seen, changed, taken back. Called by its own screen and the demo's loader. Each call is
 * one transaction under the order's lock.
 */

export interface ShipmentRow {
  id: number
  label: string
  number: number
  state: ShipmentState
  day: Day
  service: string
  orderId: number
  orderNumber: string
  customerName: string
  brand: string
  parcels: number
  /** Parcels that have their label. */
  labels: number
  /** Of all parcels, in kilograms; null where one was not weighed. */
  weight: string | null
}

export interface ShipmentView {
  id: number
  label: string
  number: number
  state: ShipmentState
  day: Day
  delivery: Address
  service: string
  remarks: string
  version: number
  madeAt: Date
  madeBy: string
  orderId: number
  orderNumber: string
  orderStatus: string
  /** The status that holds its documents back; null when they may leave. */
  stopped: string | null
  customerId: number
  customerName: string
  brand: string
  language: Language
  /** What of the order's lines goes with it, with how each stands now. */
  lines: (LineToShip & { quantity: string })[]
  parcels: (ParcelFacts & { id: number })[]
  services: string[]
  /** What the house packs into. */
  boxes: Box[]
  papers: {
    id: number
    kind: DocumentKind
    state: string
    revision: number
    problem: Told | null
    documentId: number | null
    number: string | null
    voided: boolean
  }[]
  labels: LabelView[]
  history: HistoryEntry[]
}

/** @throws Refusal "no-such-shipment" */
export async function shipmentView(id: number): Promise<ShipmentView> {
  const shipment = await shipmentRow(id)
  if (!shipment) throw new Refusal('no-such-shipment', { status: 404 })
  const parts = await linesOfShipment(id)
  const lines = (await standingOfOrders([shipment.orderId])).get(shipment.orderId)!
  return {
    ...shipment,
    lines: parts.flatMap(({ position, quantity }) => {
      const line = lines.find((one) => one.position === position)
      return line ? [{ ...shown(line), quantity }] : []
    }),
    parcels: (await parcelsOf([id])).map(({ sourceId: _, ...parcel }) => parcel),
    services: (await servicesUsed()).map(({ service }) => service),
    boxes: (await company()).boxes,
    papers: await papersOf(id),
    labels: await labelsOf(id),
    history: await historyOf({ sourceId: id }),
  }
}

export interface ShipmentChange {
  /** The version that was on the screen. */
  version: number
  day: Day
  service: string
  remarks: string
  delivery: Address
  parcels: ParcelFacts[]
}

/**
 * Changes how a shipment goes and how it is packed; what goes stays. Its documents that are not issued are built anew.
 * @returns the new version
 * @throws Refusal "no-such-shipment", "changed-meanwhile", "shipment-taken-back", "parcels-differ"
 */
export async function changeShipment(id: number, change: ShipmentChange, who: Principal): Promise<number> {
  return inTransaction(async () => {
    const shipment = await lockToChange(id, change.version)
    const lines = (await standingOfOrders([shipment.orderId])).get(shipment.orderId)!
    checkParcels(change.parcels, await linesOfShipment(id), nameOf(lines))
    const before = { parcels: await parcelsOf([id]), addresses: [(await shipmentRow(id))!.delivery] }
    await refuseLabelled(id, before, { parcels: change.parcels, addresses: [change.delivery] })
    await updateShipment({
      id,
      day: change.day,
      service: change.service.trim(),
      remarks: change.remarks.trim(),
      delivery: change.delivery,
    })
    await keepParcels(id, change.parcels)
    await markStale('source', id)
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        ...told('goods/changed', {
          shipment: shipment.label,
          parcels: counted(change.parcels.length, 'parcel'),
        }),
      },
    ])
    publish('order', [shipment.orderId])
    return shipment.version + 1
  })
}

/** @throws Refusal where it is not there, was taken back or was changed by somebody else */
async function lockToChange(id: number, version: number) {
  const found = await shipmentRow(id)
  if (!found) throw new Refusal('no-such-shipment', { status: 404 })
  // the order first, as everybody does who ships of it
  await lockOrderToShip(found.orderId)
  const shipment = (await lockShipment(id))!
  if (shipment.state !== 'packed')
    throw new Refusal('shipment-taken-back', { values: { shipment: shipment.label } })
  if (shipment.version !== version)
    throw new Refusal('changed-meanwhile/shipment', { values: { shipment: shipment.label } })
  return shipment
}

/**
 * Takes a shipment back: all of it is left to ship again, and what was prepared for it goes. Documents that were issued
 * stay, once a person said so; labels are given back.
 * @throws Refusal "no-such-shipment", "changed-meanwhile", "shipment-taken-back"; "shipment-documented" where documents
 * are issued and nobody said that they stay
 */
export async function takeShipmentBack(
  id: number,
  { version, despite }: { version: number; despite: boolean },
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    const shipment = await lockToChange(id, version)
    const issued = (await documentsOf(id)).map(({ number }) => number)
    const labels = await standingLabels(id)
    if (labels.length > 0 && !despite)
      throw new Refusal('labels-stand', {
        values: {
          labels: joined(
            labels.map((one) => one.tracking || told('goods/parcel', { parcel: one.parcel })),
            'list/comma',
          ),
          shipment: shipment.label,
          documents: issued.length
            ? ` ${issued.join(', ')} ${issued.length === 1 ? 'stays' : 'stay'} as issued.`
            : '',
        },
      })
    if (issued.length > 0 && !despite)
      throw new Refusal('shipment-documented', {
        values: {
          documents: issued.join(', '),
          are: issued.length === 1 ? 'is' : 'are',
          shipment: shipment.label,
        },
      })
    await giveLabelsBack(
      labels.filter(({ state }) => state === 'asked' || state === 'made').map((one) => one.id),
      who,
    )
    await moveRows({ table: 'shipment', lifecycle: shipmentLifecycle }, 'take back', [id], {
      version: version + 1,
    })
    await undoPrepared([id], (kind) =>
      told('goods/paper-undone', { kind: toldKind(kind), shipment: shipment.label }),
    )
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        ...toldUndone(shipment.label, issued),
      },
    ])
    publish('order', [shipment.orderId])
    publish('line')
  })
}

const toldUndone = (shipment: string, issued: readonly string[]): Told =>
  issued.length === 0
    ? told('goods/undone', { shipment })
    : told('goods/undone-issued', { shipment, documents: joined(issued, 'list/comma') })
