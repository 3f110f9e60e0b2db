import { allLeft } from '../../../core/shipping/quantities'
import { pickingList, type Pick } from '../../../core/shipping/picking'
import { Refusal } from '../../../core/errors'
import { told, type Told } from '../../../core/said/told'
import type { Principal } from '../people/principal'
import { standingOfOrders } from './parts'
import { ordersToPick } from './picking-queries'

/*
 * What is fetched from the warehouse for many orders. Called from the list of orders. Leaves out orders that are
 * drafts, held or withdrawn, and says which.
 */

export interface PickingList {
  /** The orders that it is for, by number. */
  orders: { id: number; number: string; customerName: string }[]
  /** Those of which nothing is fetched, with why. */
  leftOut: { number: string; reason: Told }[]
  picks: Pick[]
}

/** @throws Refusal "no-such-order" where one is not there or of another brand */
export async function pickingFor(orderIds: readonly number[], who: Principal): Promise<PickingList> {
  const orders = await ordersToPick(orderIds, who)
  if (orders.length < new Set(orderIds).size) throw new Refusal('no-such-order/one', { status: 404 })
  const standing = await standingOfOrders(orders.map(({ id }) => id))
  const leftOf = (id: number) => {
    const lines = standing.get(id)!
    return allLeft(lines).map(({ position, quantity }) => ({
      ...lines.find((line) => line.position === position)!,
      quantity,
    }))
  }
  const reasonOf = ({ id, isStopped, status }: (typeof orders)[number]) => {
    if (isStopped) return told('pick/stopped', { status })
    return leftOf(id).length === 0 ? told('pick/nothing-left') : null
  }
  const going = orders.filter((order) => reasonOf(order) === null)
  return {
    orders: going.map(({ id, number, customerName }) => ({ id, number, customerName })),
    leftOut: orders.flatMap((order) => {
      const reason = reasonOf(order)
      return reason ? [{ number: order.number, reason }] : []
    }),
    picks: pickingList(
      going.flatMap(({ id, number }) =>
        leftOf(id).map(({ item, description, detail, unit, place, quantity }) => ({
          order: number,
          item,
          description,
          detail,
          unit,
          place,
          quantity,
        })),
      ),
    ),
  }
}
