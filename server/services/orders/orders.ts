import { Refusal } from '../../../core/errors'
import { dayInZone, type Day } from '../../../core/documents/days'
import { totals, type Adjustment } from '../../../core/money/totals'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { suppliedStatus } from '../../../core/orders/statuses'
import { markStale } from '../outbox/stale'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { applyStatus, type StatusEffects, type StatusTurn } from '../dispatch/stopped'
import {
  lockOrders,
  orderStates,
  updateStatus,
  insertStatusEvents,
  lockOrder,
  updateOrder,
  deleteLines,
  insertOrderLines,
  insertOrders,
} from './orders-queries'
import type { Principal } from '../people/principal'

/*
 * What changes an order: its status, one or many at once, and its lines.
 * Called by the Orders screens and by the demo's loader. Each call is one transaction: orders, events, jobs
 * and history together.
 * Refuses: an unknown status, an order somebody else changed meanwhile, lines that make no sense.
 */

export interface StatusChange {
  changed: number[]
  unchanged: number[]
  before: { id: number; status: string }[]
  /** Whether the new status stops documents or lets them back, and what was written of them. */
  turn: StatusTurn
  effects: StatusEffects
}

/**
 * Sets orders to a status and tells the routines through one event each. Orders already there are left alone.
 * With `tellRoutines` false the events are kept and no routine looks at them: old orders that are brought in
 * mail nobody.
 * A status that holds or withdraws takes their documents out of every Send and of Waiting; with `letGo` a
 * return lets the emails go again.
 */
export async function setStatus(
  orderIds: readonly number[],
  status: string,
  who: Principal,
  letGo = true,
  tellRoutines = true,
): Promise<StatusChange> {
  const { orderStatuses, timeZone, ...stopping } = await company()
  if (!orderStatuses.includes(status)) {
    throw new Refusal(
      'unknown-status',
      `"${status}" is not one of the order statuses: ${orderStatuses.join(', ')}.`,
      { status: 400, about: { field: 'status' } },
    )
  }
  return inTransaction(async () => {
    const now = clock.now()
    // looked at once they are locked: their lines may have changed while this waited
    await lockOrders(orderIds)
    const orders = await orderStates(orderIds, status)
    if (orders.length < new Set(orderIds).size)
      throw new Refusal('no-such-order', 'One of the orders does not exist any more. Load the list again.', {
        status: 404,
      })
    const moving = orders.filter((order) => order.from !== status)
    const ids = moving.map((order) => order.id)
    const supplies =
      status === suppliedStatus
        ? moving.filter((order) => order.suppliedOn === null).map((order) => order.id)
        : []
    await updateStatus({ ids, status, now, supplies, today: dayInZone(now, timeZone) })
    const events = await insertStatusEvents({ moving, now, actor: who.name, tellRoutines })
    if (tellRoutines)
      await addJobs(
        'look-at-events',
        events.map((event) => event.id),
        25,
        (eventIds) => ({ eventIds }),
      )
    await noteAll(
      moving.map((order) => ({
        sourceId: order.id,
        actor: who.name,
        words: `The order went from ${order.from} to ${status}.`,
      })),
    )
    for (const id of supplies) await markStale('source', id)
    const { turn, effects } = await applyStatus(moving, status, stopping, letGo, who)
    publish('order', ids)
    if (turn !== 'nothing') publish('line')
    return {
      turn,
      effects,
      changed: ids,
      unchanged: orders.filter((order) => order.from === status).map((order) => order.id),
      before: moving.map((order) => ({ id: order.id, status: order.from })),
    }
  })
}

/** Ends a trial of a transaction, which undoes it, and carries out what it wrote. */
class Tried extends Error {
  constructor(readonly change: StatusChange) {
    super('only tried')
  }
}

/**
 * What `setStatus` would do, found by doing it and taking it back, so that the question and the act cannot
 * differ.
 */
export async function trySetStatus(
  orderIds: readonly number[],
  status: string,
  who: Principal,
): Promise<StatusChange> {
  try {
    return await inTransaction(async () => {
      throw new Tried(await setStatus(orderIds, status, who))
    })
  } catch (error) {
    if (error instanceof Tried) return error.change
    throw error
  }
}

export interface LineEdit {
  item: string
  description: string
  detail: string | null
  unit: string
  quantity: string
  unitPrice: string
  discountPercent: string
  taxCode: string
}

export interface OrderEdit {
  /** The version that was on the screen. */
  version: number
  reference: string | null
  customerNote: string | null
  /** The house's own order fields; left out, they stay as they are. */
  fields?: Record<string, string>
  lines: LineEdit[]
}

/**
 * Replaces an order's lines and texts. Papers prepared from it are marked and built anew. @returns the new
 * version
 */
export async function editOrder(orderId: number, edit: OrderEdit, who: Principal): Promise<number> {
  const { taxRates, orderFields } = await company()
  const unknown = Object.keys(edit.fields ?? {}).find((name) => !orderFields.includes(name))
  if (unknown)
    throw new Refusal('unknown-field', `“${unknown}” is not one of the house's order fields.`, {
      status: 400,
      about: { field: 'fields' },
    })
  return inTransaction(async () => {
    const order = await lockOrder(orderId)
    if (!order) throw new Refusal('no-such-order', 'That order does not exist.', { status: 404 })
    if (order.version !== edit.version)
      throw new Refusal(
        'changed-meanwhile',
        `Somebody changed order ${order.number} while you were at it. Load it again; your changes are ` +
          'still on the screen to copy.',
      )
    const sums = totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: taxRates,
      lines: edit.lines,
      adjustments: order.adjustments,
      prepaid: order.prepaid,
    })
    await replaceLines(orderId, edit.lines)
    await updateOrder({
      orderId,
      reference: edit.reference,
      customerNote: edit.customerNote,
      net: sums.net,
      total: sums.total,
      search: searchText(order.number, order.customerName, edit.reference),
      fields: edit.fields ?? order.fields,
    })
    await markStale('source', orderId)
    await noteAll([
      {
        sourceId: orderId,
        actor: who.name,
        words: `The order was changed; it now comes to ${sums.total} ${order.currency}.`,
      },
    ])
    publish('order', [orderId])
    return order.version + 1
  })
}

async function replaceLines(orderId: number, lines: readonly LineEdit[]): Promise<void> {
  await deleteLines(orderId)
  await insertLines(lines.map((line, index) => ({ ...line, orderId, position: index + 1 })))
}

async function insertLines(
  lines: readonly (LineEdit & { orderId: number; position: number })[],
): Promise<void> {
  await insertOrderLines(lines)
}

const searchText = (number: string, customer: string, reference: string | null) =>
  [number, customer, reference ?? ''].join(' ').toLowerCase()

export interface NewOrder {
  number: string
  brandId: number
  customerId: number
  customerName: string
  date: Day
  status: string
  currency: string
  pricesIncludeTax: boolean
  reference: string | null
  salesperson: string
  customerNote: string | null
  prepaid: string
  adjustments: Adjustment[]
  fields?: Record<string, string>
  lines: LineEdit[]
}

/** Takes an order into the house. @throws Refusal from `totals` */
export async function addOrder(order: NewOrder, who: Principal): Promise<number> {
  return (await addOrders([order], who))[0]!
}

/**
 * Takes orders into the house, all or none, with a few statements however many they are. @returns their ids
 * in the order given. @throws Refusal from `totals`
 */
export async function addOrders(orders: readonly NewOrder[], who: Principal): Promise<number[]> {
  if (orders.length === 0) return []
  const { taxRates } = await company()
  const now = clock.now()
  const given = orders.map((order) => {
    const { net, total } = totals({
      currency: order.currency,
      pricesIncludeTax: order.pricesIncludeTax,
      rates: taxRates,
      lines: order.lines,
      adjustments: order.adjustments,
      prepaid: order.prepaid,
    })
    return {
      ...order,
      fields: order.fields ?? {},
      net,
      total,
      search: searchText(order.number, order.customerName, order.reference),
    }
  })
  return inTransaction(async () => {
    const made = new Map(
      (
        await insertOrders(
          given.map(({ lines: _, ...order }) => order),
          now,
        )
      ).map((row) => [row.number, row.id]),
    )
    const ids = orders.map((order) => made.get(order.number)!)
    await insertLines(
      orders.flatMap((order, index) =>
        order.lines.map((line, place) => ({ ...line, orderId: ids[index]!, position: place + 1 })),
      ),
    )
    await noteAll(
      orders.map((order, index) => ({
        sourceId: ids[index]!,
        actor: who.name,
        words: `The order came in as ${order.status}.`,
      })),
    )
    publish('order', ids)
    return ids
  })
}
