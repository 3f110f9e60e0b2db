import { billedBy, remaining } from '../../../core/documents/draft'
import type { ReplacedFacts } from '../../../core/documents/facts'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { prepareRefusal } from '../../../core/orders/statuses'
import { occasionOf, statusOfOccasion } from '../../../core/routines/routine'
import { told } from '../../../core/said/told'
import { partsOfOrders, depositOf, type OrderPart } from '../drafts/parts'
import { contextOf, houseContext } from '../documents/found-settings'
import { type Addressing, type PaperContext } from '../documents/paper-context'
import type { Source } from '../documents/sources'
import {
  orderSubjects,
  linesOfOrders,
  confirmationsOfOrders,
  orderToRefuse,
  raiseOrderVersion,
} from './source-queries'
import { contactsOfCustomers } from '../customers/queries'

/*
 * The order as a source of documents: its confirmation, its invoice.
 * Called by the engine through the registry.
 */

/** Loads the contexts of many orders with a fixed number of queries. Orders that do not exist are left out. */
export async function loadOrderContexts(
  kind: DocumentKind,
  orderIds: readonly number[],
  addressing: Addressing,
  occasion: string,
): Promise<Map<number, PaperContext>> {
  const tells = kindFacts[kind].isUpdate ? statusOfOccasion(occasion) : null
  const orders = await orderSubjects(orderIds)
  const lines = await linesOfOrders(orderIds)
  const contacts = await contactsOfCustomers([...new Set(orders.map((order) => order.customerId))])
  const house = await houseContext(kind)
  const linesOf = groupBy(lines, (line) => line.orderId)
  const contactsOf = groupBy(contacts, (contact) => contact.customerId)
  const replaced = kindFacts[kind].replacesEarlier
    ? await confirmationsOf(orderIds)
    : new Map<number, never>()
  const drafts =
    kindFacts[kind].books !== null ? await partsOfOrders(orderIds) : new Map<number, OrderPart[]>()
  return new Map(
    orders.map((order) => {
      const own = drafts.get(order.sourceId) ?? []
      const left = remaining(
        linesOf.get(order.sourceId) ?? [],
        order.adjustments,
        billedBy(own.map((draft) => draft.facts)),
      )
      const subject = {
        ...order,
        status: tells ?? order.status!,
        adjustments: left.adjustments,
        deposits: own.filter((draft) => draft.facts.deposit).map(depositOf),
        replaces: replaced.get(order.sourceId),
      }
      const contacts = contactsOf.get(order.customerId) ?? []
      const context = contextOf(kind, subject, left.lines, contacts, addressing, house)
      if (tells !== null && tells !== order.status)
        return [
          order.sourceId,
          { ...context, nothing: told('problem/status-gone', { status: order.status! }) },
        ]
      return [
        order.sourceId,
        left.lines.length === 0 && Number(order.total) !== 0
          ? { ...context, problem: told('problem/billed-already') }
          : context,
      ]
    }),
  )
}

/**
 * The confirmations of orders that stand: the newest of each that is not void. Another one of the order takes
 * its place.
 */
export async function confirmationsOf(orderIds: readonly number[]): Promise<Map<number, ReplacedFacts>> {
  const found = await confirmationsOfOrders(orderIds)
  return new Map(found.map(({ orderId, ...facts }) => [orderId, facts]))
}

/** Why a document of a kind is not made of an order now, looked at once the order is locked. */
async function refusal(kind: DocumentKind, orderId: number, despite: boolean): Promise<Refusal | undefined> {
  const order = (await orderToRefuse(orderId))!
  const words = prepareRefusal(kind, order)
  if (words !== null)
    return new Refusal('not-yet', { values: { words }, about: { record: { kind: 'order', id: orderId } } })
  if (order.stopped !== null && kindFacts[kind].waitsWithOrder && !despite)
    return new Refusal('order-stopped', {
      values: { order: order.number, status: order.stopped },
      about: { record: { kind: 'order', id: orderId, label: order.number } },
    })
  return undefined
}

export const orderSource: Source = {
  table: 'sales_order',
  load: loadOrderContexts,
  occasion: occasionOf,
  refusal,
  voided: async (id) => {
    await raiseOrderVersion(id)
  },
}
