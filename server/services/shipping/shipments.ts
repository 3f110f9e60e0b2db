import { dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import type { Language } from '../../../core/money/format'
import { draftStatus } from '../../../core/orders/statuses'
import { checkParcels, proposeParcels, type Box, type ParcelFacts } from '../../../core/shipping/parcels'
import { allLeft, checkShipped, type LinePart, type LineStanding } from '../../../core/shipping/quantities'
import { shipmentLifecycle, type ShipmentState } from '../../../core/shipping/states'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { HouseEvent, Shipment } from '../../db/models'
import { addJob } from '../../queue/add'
import { undoPrepared } from '../documents/prepare-by-hand'
import { historyOf, noteAll, type HistoryEntry } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { standingOfOrders, type StandingLine } from './parts'
import {
  documentsOfShipment,
  insertLines,
  linesOfShipment,
  lockOrderToShip,
  lockShipment,
  nextNumber,
  orderCalled,
  orderToShip,
  papersOfShipment,
  parcelsOfShipments,
  replaceParcels,
  servicesUsed,
  shipmentFacts,
  shipmentRow,
  updateShipment,
  type OrderToShip,
} from './queries'

/*
 * Goods of an order that go out: packed, changed, taken back. Called by the order, the shipment's own screen and the
 * demo's loader. Each call is one transaction under the order's lock, so that two people ship nothing twice; what is
 * told to routines is written in it.
 * Refuses an order that is not confirmed, held or withdrawn, and more than is left.
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
  /** Of all parcels, in kilograms; null where one was not weighed. */
  weight: string | null
}

/** A line of an order as the screens of shipments show it. */
export interface LineToShip extends LineStanding {
  item: string
  description: string
  detail: string | null
  unit: string
  /** Kilograms of one; null where nobody said. */
  each: string | null
  place: string
  gtin: string
}

export interface ShipmentPlan {
  orderId: number
  orderNumber: string
  customerName: string
  /** Why nothing of it can be shipped now; null where it can. */
  refused: string | null
  delivery: Address | null
  day: Day
  lines: LineToShip[]
  /** All that is left, as it would be packed. */
  parcels: ParcelFacts[]
  /** Services that were used before, the newest first. */
  services: string[]
  /** What the house packs into. */
  boxes: Box[]
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
    problem: string | null
    documentId: number | null
    number: string | null
    voided: boolean
  }[]
  history: HistoryEntry[]
}

export interface NewShipment {
  lines: LinePart[]
  /** Left out, as they are proposed. */
  parcels?: ParcelFacts[]
  day?: Day
  service?: string
  remarks?: string
  /** Left out, where the order goes. */
  delivery?: Address
}

/** Why nothing of an order is shipped; undefined where it may be. */
function refusalOf({ number, status, stopped, delivery, customerName }: OrderToShip): Refusal | undefined {
  if (status === draftStatus || stopped !== null)
    return new Refusal('not-shipped', { values: { order: number, status } })
  if (!delivery) return new Refusal('ship-to-nobody', { values: { customer: customerName } })
  return undefined
}

const shown = ({
  position,
  item,
  description,
  detail,
  unit,
  each,
  place,
  gtin,
  ordered,
  shipped,
  cancelled,
  left,
}: StandingLine): LineToShip => ({
  position,
  item,
  description,
  detail,
  unit,
  each,
  place,
  gtin,
  ordered,
  shipped,
  cancelled,
  left,
})

const nameOf = (lines: readonly StandingLine[]) => (position: number) =>
  lines.find((line) => line.position === position)?.description ?? `line ${position}`

const withWeights = (parts: readonly LinePart[], lines: readonly StandingLine[]) =>
  parts.map((part) => ({
    ...part,
    each: lines.find(({ position }) => position === part.position)?.each ?? null,
  }))

/** What of an order could be shipped now, and how it would be packed. @throws Refusal "no-such-order" */
export async function planShipment(orderId: number): Promise<ShipmentPlan> {
  const order = await orderToShip(orderId)
  if (!order) throw new Refusal('no-such-order', { status: 404 })
  const lines = (await standingOfOrders([orderId])).get(orderId)!
  const { boxes, timeZone } = await company()
  return {
    orderId,
    orderNumber: order.number,
    customerName: order.customerName,
    refused: refusalOf(order)?.message ?? null,
    delivery: order.delivery,
    day: dayInZone(clock.now(), timeZone),
    lines: lines.map(shown),
    parcels: proposeParcels(withWeights(allLeft(lines), lines), boxes),
    services: (await servicesUsed()).map(({ service }) => service),
    boxes,
  }
}

/**
 * The plan of the order with a number, whatever its case, or of which a shipment has it.
 * @throws Refusal "no-such-number" where none of the person's brands has it
 */
export async function planByCode(code: string, who: Principal): Promise<ShipmentPlan> {
  const order = await orderCalled(code.trim(), who)
  if (!order) throw new Refusal('no-such-number', { status: 404, values: { code } })
  return planShipment(order.id)
}

/**
 * Packs what of an order goes. @returns the shipment's id
 * @throws Refusal "no-such-order", "not-shipped", "ship-to-nobody", "over-left", "nothing-to-ship", "parcels-differ"
 */
export async function makeShipment(orderId: number, wanted: NewShipment, who: Principal): Promise<number> {
  const { boxes, timeZone } = await company()
  return inTransaction(async () => {
    const order = await lockOrderToShip(orderId)
    if (!order) throw new Refusal('no-such-order', { status: 404 })
    const refused = refusalOf(order)
    if (refused && !(refused.code === 'ship-to-nobody' && wanted.delivery)) throw refused
    const lines = (await standingOfOrders([orderId])).get(orderId)!
    const going = checkShipped(lines, wanted.lines, nameOf(lines))
    const parcels = wanted.parcels ?? proposeParcels(withWeights(going, lines), boxes)
    checkParcels(parcels, going, nameOf(lines))
    const { number } = (await nextNumber(orderId))!
    const { id, label } = await Shipment.create({
      orderId,
      brandId: order.brandId,
      customerId: order.customerId,
      number,
      label: `${order.number}/${number}`,
      day: wanted.day ?? dayInZone(clock.now(), timeZone),
      delivery: wanted.delivery ?? order.delivery!,
      service: wanted.service?.trim() ?? '',
      remarks: wanted.remarks?.trim() ?? '',
      madeAt: clock.now(),
      madeBy: who.name,
    })
    await insertLines(id, going)
    await replaceParcels(id, parcels)
    await tellRoutines(id, who)
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        words: `${label} was packed: ${countWords(going.length, 'line')} in ${countWords(parcels.length, 'parcel')}.`,
      },
    ])
    publish('order', [orderId])
    return id
  })
}

const countWords = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

async function tellRoutines(id: number, who: Principal): Promise<void> {
  const facts = (await shipmentFacts(id))!
  const event = await HouseEvent.create({
    kind: 'shipment packed',
    sourceId: id,
    facts,
    schemaVersion: 4,
    at: clock.now(),
    actor: who.name,
    lookedAt: null,
    onlyRoutine: null,
    documentId: null,
  })
  await addJob('look-at-events', { eventIds: [event.id] })
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
    parcels: (await parcelsOfShipments([id])).map(({ shipmentId: _, ...parcel }) => parcel),
    services: (await servicesUsed()).map(({ service }) => service),
    boxes: (await company()).boxes,
    papers: await papersOfShipment(id),
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
    await updateShipment({
      id,
      day: change.day,
      service: change.service.trim(),
      remarks: change.remarks.trim(),
      delivery: change.delivery,
    })
    await replaceParcels(id, change.parcels)
    await markStale('source', id)
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        words: `${shipment.label} was changed; it goes in ${countWords(change.parcels.length, 'parcel')}.`,
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
 * stay, once a person said so.
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
    const issued = (await documentsOfShipment(id)).map(({ number }) => number)
    if (issued.length > 0 && !despite)
      throw new Refusal('shipment-documented', {
        values: {
          documents: issued.join(', '),
          are: issued.length === 1 ? 'is' : 'are',
          shipment: shipment.label,
        },
      })
    await moveRows({ table: 'shipment', lifecycle: shipmentLifecycle }, 'take back', [id], {
      version: version + 1,
    })
    await undoPrepared([id], (kind) => `The ${kind} was taken off: ${shipment.label} was taken back.`)
    const stay = issued.length ? ` ${issued.join(', ')} stayed as issued.` : ''
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        words: `${shipment.label} was taken back; all of it is left to ship again.${stay}`,
      },
    ])
    publish('order', [shipment.orderId])
    publish('line')
  })
}
