import { groupBy } from '../../../core/group'
import { standingOf, type LinePart, type LineStanding } from '../../../core/shipping/quantities'
import { linesToShip, shippedParts, type OrderLineToShip } from './parts-queries'

/* What of orders was shipped. Called by orders, drafts and the shipments themselves: the one place that says it. */

/** A line of an order with how it stands. */
export type StandingLine = OrderLineToShip & LineStanding

/** How the lines of orders stand, by order: two statements to the database for any number of them. */
export async function standingOfOrders(orderIds: readonly number[]): Promise<Map<number, StandingLine[]>> {
  const lines = groupBy(await linesToShip(orderIds), (line) => line.orderId)
  const shipped = await shippedOfOrders(orderIds)
  return new Map(
    orderIds.map((id) => {
      const own = lines.get(id) ?? []
      const standing = standingOf(own, shipped.get(id) ?? [])
      return [id, own.map((line, place) => ({ ...line, ...standing[place]! }))]
    }),
  )
}

/** What shipments that stand hold of orders, by order. */
export async function shippedOfOrders(orderIds: readonly number[]): Promise<Map<number, LinePart[]>> {
  return groupBy(await shippedParts(orderIds), (part) => part.orderId)
}
