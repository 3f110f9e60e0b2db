import type { EventFacts } from '../../../core/routines/routine'
import { goodsMoments, type GoodsEvent } from '../../../core/routines/sentence'
import { isShipped } from '../../../core/shipping/quantities'
import { clock } from '../../clock'
import { HouseEvent } from '../../db/models'
import { addJob } from '../../queue/add'
import type { Principal } from '../people/principal'
import { standingOfOrders } from './parts'
import { deliveredFacts, shipmentFacts } from './queries'
import { shipmentsDelivered, ordersUndelivered } from './tracking-queries'

/*
 * What routines are told of goods: packed, delivered, held on their way. In the transaction in which it happens.
 */

/** How the events of goods are kept. */
const kinds = {
  shipment: 'shipment packed',
  'shipment delivered': 'shipment delivered',
  'order delivered': 'order delivered',
  'parcel held': 'parcel held',
} as const satisfies Record<GoodsEvent, string>

/** Shows a shipment to the routines, or to one alone with what it has to know besides. */
export async function tellOfShipment(
  id: number,
  event: Exclude<GoodsEvent, 'order delivered'>,
  who: Principal,
  only: { onlyRoutine: number; facts: Partial<EventFacts> } | null = null,
): Promise<void> {
  const moment = goodsMoments[event]
  await tell(id, event, who, {
    facts: { ...(await shipmentFacts(id))!, shipment: moment, ...only?.facts },
    onlyRoutine: only?.onlyRoutine ?? null,
  })
}

/** Tells of those of these shipments, and of their orders, that are delivered whole by now, once of each. */
export async function tellOfDelivered(shipmentIds: readonly number[], who: Principal): Promise<void> {
  const whole = await shipmentsDelivered(shipmentIds)
  for (const { id } of whole) await tellOfShipment(id, 'shipment delivered', who)
  const orderIds = [...new Set(whole.map(({ orderId }) => orderId))]
  const standing = await standingOfOrders(orderIds)
  const open = new Set((await ordersUndelivered(orderIds)).map(({ id }) => id))
  for (const id of orderIds) {
    if (open.has(id) || !isShipped(standing.get(id)!)) continue
    const moment = goodsMoments['order delivered']
    await tell(id, 'order delivered', who, {
      facts: { ...(await deliveredFacts(id))!, shipment: moment },
      onlyRoutine: null,
    })
  }
}

async function tell(
  sourceId: number,
  event: GoodsEvent,
  who: Principal,
  { facts, onlyRoutine }: { facts: EventFacts; onlyRoutine: number | null },
): Promise<void> {
  const { id } = await HouseEvent.create({
    kind: kinds[event],
    sourceId,
    facts,
    schemaVersion: 4,
    at: clock.now(),
    actor: who.name,
    lookedAt: null,
    onlyRoutine,
    documentId: null,
  })
  await addJob('look-at-events', { eventIds: [id] })
}
