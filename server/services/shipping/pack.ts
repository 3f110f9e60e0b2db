import { dayInZone, type Day } from '../../../core/documents/days'
import type { Address } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import { draftStatus } from '../../../core/orders/statuses'
import { checkParcels, proposeParcels, type Box, type ParcelFacts } from '../../../core/shipping/parcels'
import { allLeft, checkShipped, type LinePart, type LineStanding } from '../../../core/shipping/quantities'
import { counted, told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Shipment } from '../../db/models'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import type { Principal } from '../people/principal'
import { standingOfOrders, type StandingLine } from './parts'
import { tellOfShipment } from './tell-routines'
import {
  insertLines,
  keepParcels,
  lockOrderToShip,
  nextNumber,
  orderCalled,
  orderToShip,
  returnCalled,
  servicesUsed,
  type OrderToShip,
} from './queries'

/*
 * Packing goods of an order. Called by the order, the bench, routines and the demo's loader. Each call is one
 * transaction under the order's lock, so that two people ship nothing twice; what is told to routines is written in it.
 * Refuses an order that is not confirmed, held or withdrawn, and more than is left.
 */

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
  /** Where the picture of its item is shown. */
  pictureAt: string | null
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

export const shown = ({
  position,
  item,
  description,
  detail,
  unit,
  each,
  place,
  gtin,
  pictureAt,
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
  pictureAt,
  ordered,
  shipped,
  cancelled,
  left,
})

export const nameOf = (lines: readonly StandingLine[]) => (position: number) =>
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
 * @throws Refusal "no-such-number" where none of the person's brands has it, "code-of-return" where it is a return's
 */
export async function planByCode(code: string, who: Principal): Promise<ShipmentPlan> {
  const order = await orderCalled(code.trim(), who)
  if (!order && (await returnCalled(code.trim(), who)))
    throw new Refusal('code-of-return', { values: { code: code.trim() } })
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
    await keepParcels(id, parcels)
    await tellOfShipment(id, 'shipment', who)
    await noteAll([
      {
        sourceId: id,
        actor: who.name,
        ...told('goods/packed', {
          shipment: label,
          lines: counted(going.length, 'line'),
          parcels: counted(parcels.length, 'parcel'),
        }),
      },
    ])
    publish('order', [orderId])
    return id
  })
}
