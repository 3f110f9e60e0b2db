import type { Address } from '../../../core/documents/facts'
import type { Day } from '../../../core/documents/days'
import type { Adjustment } from '../../../core/money/totals'
import type { EventFacts } from '../../../core/routines/routine'
import { run, rows, json, one } from '../../db/connection'
import type { LineEdit } from './orders'

/* The statements of orders.ts. */

interface OrderState extends EventFacts {
  from: string
  to: string
  id: number
  suppliedOn: Day | null
}

export const lockOrders = (orderIds: readonly number[]) =>
  run('select id from sales_order where id = any($orderIds::int[]) order by id for update', { orderIds })

export const orderStates = (orderIds: readonly number[], status: string) =>
  rows<OrderState>(
    `select o.id, o.number "order", o.status "from", $status "to", o.total::text total, o.net::text net,
      o.currency, b.code brand, c.number customer, c.group_name "group", c.country, o.salesperson, o.fields,
      o.supplied_on::text "suppliedOn",
      (
        select coalesce(jsonb_agg(distinct l.item_code), '[]') from order_line l where l.order_id = o.id
      ) items
    from sales_order o
    join customer c on c.id = o.customer_id
    join brand b on b.id = o.brand_id
    where o.id = any($orderIds::int[])
    order by o.id`,
    { orderIds, status },
  )

export const updateStatus = (given: {
  ids: readonly number[]
  status: string
  now: Date
  supplies: readonly number[]
  today: string
}) =>
  run(
    `update sales_order
    set status = $status, status_since = $now,
      version = version + (case when id = any($supplies::int[]) then 1 else 0 end),
      supplied_on = case when id = any($supplies::int[]) then $today::date else supplied_on end
    where id = any($ids::int[])`,
    given,
  )

export const insertStatusEvents = (given: {
  moving: readonly OrderState[]
  now: Date
  actor: string
  tellRoutines: boolean
}) =>
  rows<{ id: number }>(
    `insert into event (kind, source_id, facts, schema_version, at, actor, looked_at)
    select 'order status', f.id, to_jsonb(f) - 'id' - 'suppliedOn', 2, $now::timestamptz, $actor,
      case when $tellRoutines::boolean then null else $now::timestamptz end
    from jsonb_to_recordset($moving::jsonb) as f (
      id int, "order" text, "from" text, "to" text, total text, net text, currency text, brand text,
      customer text, "group" text, country text, salesperson text, fields jsonb, items jsonb
    )
    order by f.id
    returning id`,
    { ...given, moving: json(given.moving) },
  )

/** How many of the orders were set from a status by this person, as the last that was set of them. */
export const ordersJustFrom = (given: {
  ids: readonly number[]
  status: string
  since: Date
  actor: string
}) =>
  one<{ count: number }>(
    `select count(*)::int count
    from (
      select distinct on (source_id) source_id, facts, at, actor
      from event
      where source_id = any($ids::int[]) and kind = 'order status'
      order by source_id, id desc
    ) last
    where last.facts ->> 'from' = $status and last.at >= $since and last.actor = $actor`,
    given,
  )

export const lockOrder = (orderId: number) =>
  one<{
    version: number
    currency: string
    pricesIncludeTax: boolean
    adjustments: Adjustment[]
    prepaid: string
    number: string
    customerName: string
    fields: Record<string, string>
    customerId: number
    billToId: number | null
    delivery: Address | null
    internalNote: string
    branchId: number | null
    brandId: number
    reference: string | null
    customerNote: string | null
  }>(
    `select o.version, o.customer_id "customerId", o.bill_to_id "billToId", o.delivery,
      o.internal_note "internalNote", o.branch_id "branchId", o.brand_id "brandId", o.reference,
      o.customer_note "customerNote",
      o.currency, o.prices_include_tax "pricesIncludeTax", o.adjustments, o.prepaid,
      o.number, o.fields, c.name "customerName"
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $orderId
    for update of o`,
    { orderId },
  )

export const updateOrder = (given: {
  orderId: number
  reference: string | null
  customerNote: string | null
  net: string
  total: string
  search: string
  fields: Readonly<Record<string, string>>
  adjustments: readonly Adjustment[]
  billToId: number | null
  delivery: Address | null
  internalNote: string
  branchId: number | null
  /** Whether anything changed that a document shows. */
  shown: boolean
}) =>
  run(
    `update sales_order
    set reference = $reference, customer_note = $customerNote, net = $net, total = $total, version = version + 1,
      revision = revision + $shown::int, search = $search, fields = $fields::jsonb,
      adjustments = $adjustments::jsonb, bill_to_id = $billToId, delivery = $delivery::jsonb,
      internal_note = $internalNote, branch_id = $branchId
    where id = $orderId`,
    {
      ...given,
      shown: Number(given.shown),
      fields: json(given.fields),
      adjustments: json(given.adjustments),
      delivery: given.delivery && json(given.delivery),
    },
  )

export const deleteLines = (orderId: number) =>
  run('delete from order_line where order_id = $orderId', { orderId })

export const insertOrderLines = (
  lines: readonly (LineEdit & { orderId: number; position: number; cancelled?: string })[],
) =>
  run(
    `insert into order_line (
      order_id, position, item_code, description, detail, unit, quantity, unit_price, discount_percent,
      tax_code, fields, cancelled
    )
    select l."orderId", l.position, l.item, l.description, l.detail, l.unit, l.quantity, l."unitPrice",
      l."discountPercent", l."taxCode", coalesce(l.fields, '{}'), coalesce(l.cancelled, 0)
    from jsonb_to_recordset($lines::jsonb) as l (
      "orderId" int, position int, item text, description text, detail text, unit text, quantity numeric,
      "unitPrice" numeric, "discountPercent" numeric, "taxCode" text, fields jsonb, cancelled numeric
    )`,
    { lines: json(lines) },
  )

export const insertOrders = (orders: unknown, now: Date) =>
  rows<{ id: number; number: string }>(
    `insert into sales_order (
      number, brand_id, customer_id, date, status, status_since, currency, prices_include_tax,
      reference, salesperson, customer_note, prepaid, adjustments, net, total, search, fields,
      bill_to_id, delivery, internal_note, branch_id
    )
    select o.number, o."brandId", o."customerId", o.date, o.status, $now::timestamptz, o.currency,
      o."pricesIncludeTax", o.reference, o.salesperson, o."customerNote", o.prepaid, o.adjustments,
      o.net, o.total, o.search, o.fields, o."billToId", o.delivery, coalesce(o."internalNote", ''), o."branchId"
    from jsonb_to_recordset($orders::jsonb) as o (
      number text, "brandId" int, "customerId" int, date date, status text, currency text,
      "pricesIncludeTax" boolean, reference text, salesperson text, "customerNote" text,
      prepaid numeric, adjustments jsonb, net numeric, total numeric, search text, fields jsonb,
      "billToId" int, delivery jsonb, "internalNote" text, "branchId" int
    )
    returning id, number`,
    { orders: json(orders), now },
  )
