import { Refusal } from '../../../core/errors'
import { dayInZone, type Day } from '../../../core/documents/days'
import { totals, type Adjustment } from '../../../core/money/totals'
import type { EventFacts } from '../../../core/routines/routine'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { suppliedStatus } from '../../../core/orders/statuses'
import { markStale } from '../outbox/stale'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { applyStatus, type StatusEffects, type StatusTurn } from '../dispatch/stopped'

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

interface OrderState extends EventFacts {
  from: string
  to: string
  id: number
  suppliedOn: Day | null
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
  actor: string,
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
    await run('select id from sales_order where id = any($1::int[]) order by id for update', [orderIds])
    const orders = await rows<OrderState>(
      `select o.id, o.number "order", o.status "from", $2 "to", o.total::text total, o.net::text net,
        o.currency, b.code brand, c.number customer, c.group_name "group", c.country, o.salesperson, o.fields,
        o.supplied_on::text "suppliedOn",
        (
          select coalesce(jsonb_agg(distinct l.item_code), '[]') from order_line l where l.order_id = o.id
        ) items
      from sales_order o
      join customer c on c.id = o.customer_id
      join brand b on b.id = o.brand_id
      where o.id = any($1::int[])
      order by o.id`,
      [orderIds, status],
    )
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
    await run(
      `update sales_order
      set status = $2, status_since = $3,
        version = version + (case when id = any($4::int[]) then 1 else 0 end),
        supplied_on = case when id = any($4::int[]) then $5::date else supplied_on end
      where id = any($1::int[])`,
      [ids, status, now, supplies, dayInZone(now, timeZone)],
    )
    const events = await rows<{ id: number }>(
      `insert into event (kind, source_id, facts, schema_version, at, actor, looked_at)
      select 'order status', f.id, to_jsonb(f) - 'id' - 'suppliedOn', 2, $2::timestamptz, $3,
        case when $4::boolean then null else $2::timestamptz end
      from jsonb_to_recordset($1::jsonb) as f (
        id int, "order" text, "from" text, "to" text, total text, net text, currency text, brand text,
        customer text, "group" text, country text, salesperson text, fields jsonb, items jsonb
      )
      order by f.id
      returning id`,
      [json(moving), now, actor, tellRoutines],
    )
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
        actor,
        words: `The order went from ${order.from} to ${status}.`,
      })),
    )
    for (const id of supplies) await markStale('source', id)
    const { turn, effects } = await applyStatus(moving, status, stopping, letGo, actor)
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
  actor: string,
): Promise<StatusChange> {
  try {
    return await inTransaction(async () => {
      throw new Tried(await setStatus(orderIds, status, actor))
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
export async function editOrder(orderId: number, edit: OrderEdit, actor: string): Promise<number> {
  const { taxRates, orderFields } = await company()
  const unknown = Object.keys(edit.fields ?? {}).find((name) => !orderFields.includes(name))
  if (unknown)
    throw new Refusal('unknown-field', `“${unknown}” is not one of the house's order fields.`, {
      status: 400,
      about: { field: 'fields' },
    })
  return inTransaction(async () => {
    const order = await one<{
      version: number
      currency: string
      pricesIncludeTax: boolean
      adjustments: Adjustment[]
      prepaid: string
      number: string
      customerName: string
      fields: Record<string, string>
    }>(
      `select o.version, o.currency, o.prices_include_tax "pricesIncludeTax", o.adjustments, o.prepaid,
        o.number, o.fields, c.name "customerName"
      from sales_order o
      join customer c on c.id = o.customer_id
      where o.id = $1
      for update of o`,
      [orderId],
    )
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
    await run(
      `update sales_order
      set reference = $2, customer_note = $3, net = $4, total = $5, version = version + 1,
        revision = revision + 1, search = $6, fields = $7::jsonb
      where id = $1`,
      [
        orderId,
        edit.reference,
        edit.customerNote,
        sums.net,
        sums.total,
        searchText(order.number, order.customerName, edit.reference),
        json(edit.fields ?? order.fields),
      ],
    )
    await markStale('source', orderId)
    await noteAll([
      {
        sourceId: orderId,
        actor,
        words: `The order was changed; it now comes to ${sums.total} ${order.currency}.`,
      },
    ])
    publish('order', [orderId])
    return order.version + 1
  })
}

async function replaceLines(orderId: number, lines: readonly LineEdit[]): Promise<void> {
  await run('delete from order_line where order_id = $1', [orderId])
  await insertLines(lines.map((line, index) => ({ ...line, orderId, position: index + 1 })))
}

async function insertLines(
  lines: readonly (LineEdit & { orderId: number; position: number })[],
): Promise<void> {
  await run(
    `insert into order_line (
      order_id, position, item_code, description, detail, unit, quantity, unit_price, discount_percent,
      tax_code
    )
    select l."orderId", l.position, l.item, l.description, l.detail, l.unit, l.quantity, l."unitPrice",
      l."discountPercent", l."taxCode"
    from jsonb_to_recordset($1::jsonb) as l (
      "orderId" int, position int, item text, description text, detail text, unit text, quantity numeric,
      "unitPrice" numeric, "discountPercent" numeric, "taxCode" text
    )`,
    [json(lines)],
  )
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
export async function addOrder(order: NewOrder, actor: string): Promise<number> {
  return (await addOrders([order], actor))[0]!
}

/**
 * Takes orders into the house, all or none, with a few statements however many they are. @returns their ids
 * in the order given. @throws Refusal from `totals`
 */
export async function addOrders(orders: readonly NewOrder[], actor: string): Promise<number[]> {
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
        await rows<{ id: number; number: string }>(
          `insert into sales_order (
            number, brand_id, customer_id, date, status, status_since, currency, prices_include_tax,
            reference, salesperson, customer_note, prepaid, adjustments, net, total, search, fields
          )
          select o.number, o."brandId", o."customerId", o.date, o.status, $2::timestamptz, o.currency,
            o."pricesIncludeTax", o.reference, o.salesperson, o."customerNote", o.prepaid, o.adjustments,
            o.net, o.total, o.search, o.fields
          from jsonb_to_recordset($1::jsonb) as o (
            number text, "brandId" int, "customerId" int, date date, status text, currency text,
            "pricesIncludeTax" boolean, reference text, salesperson text, "customerNote" text,
            prepaid numeric, adjustments jsonb, net numeric, total numeric, search text, fields jsonb
          )
          returning id, number`,
          [json(given.map(({ lines: _, ...order }) => order)), now],
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
        actor,
        words: `The order came in as ${order.status}.`,
      })),
    )
    publish('order', ids)
    return ids
  })
}
