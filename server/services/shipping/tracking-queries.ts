import type { ParcelWay } from '../../../core/shipping/tracking'
import { rows, run } from '../../db/connection'

/* The statements of tracking.ts. */

export interface Followed {
  id: number
  carrierId: number
  tracking: string
  madeAt: Date
}

export const followedLabels = (ids: readonly number[], now: Date) =>
  rows<Followed>(
    `select id, carrier_id "carrierId", tracking, made_at "madeAt"
    from label
    where id = any($ids::int[]) and state = 'made' and ask_way_at <= $now
    order by id`,
    { ids, now },
  )

export const askWayAgain = (ids: readonly number[], at: Date | null) =>
  run('update label set ask_way_at = $at where id = any($ids::int[]) and ask_way_at is not null', { ids, at })

/** A parcel of which there is news. */
export interface Moved {
  id: number
  sourceId: number
  isReturn: boolean
  /** What its label is printed on. */
  documentId: number | null
  orderId: number
  parcel: number
  tracking: string
  way: ParcelWay
}

/** Nobody ships of the orders of these parcels before the caller's transaction ends. */
export const lockOrdersOf = (carrierId: number, tracking: readonly string[]) =>
  rows<{ id: number }>(
    `select o.id
    from sales_order o
    where o.id in (
      select s.order_id
      from label l
      join consignment s on s.id = l.source_id
      where l.carrier_id = $carrierId and l.tracking = any($tracking::text[])
    )
    order by o.id
    for update of o`,
    { carrierId, tracking },
  )

/** How far parcels are, where that is news. */
export const keepWays = (
  carrierId: number,
  ways: readonly { tracking: string; way: ParcelWay }[],
  now: Date,
  last: readonly ParcelWay[],
) =>
  rows<Moved>(
    `update label l
    set way = n.way, way_at = $now, ask_way_at = case when n.way = any($last::text[]) then null else ask_way_at end
    from jsonb_to_recordset($ways::jsonb) as n (tracking text, way text), consignment s
    where l.carrier_id = $carrierId and l.tracking = n.tracking and l.state = 'made' and l.way <> n.way
      and l.way <> all($last::text[]) and s.id = l.source_id
    returning l.id, l.source_id "sourceId", s.is_return "isReturn", l.document_id "documentId",
      s.order_id "orderId", l.parcel, l.tracking, l.way`,
    { carrierId, ways: JSON.stringify(ways), now, last },
  )

/** Those of these documents of which every label is used, or was given back. */
export const documentsUsedUp = (documentIds: readonly number[]) =>
  rows<{ id: number }>(
    `select document_id id
    from label
    where document_id = any($documentIds::int[])
    group by document_id
    having bool_and(state = 'cancelled' or state = 'made' and way <> 'announced')`,
    { documentIds },
  )

/** Those of these shipments of which every parcel is delivered, and that routines were not told of so yet. */
export const shipmentsDelivered = (ids: readonly number[]) =>
  rows<{ id: number; orderId: number }>(
    `select s.id, s.order_id "orderId"
    from shipment s
    where s.id = any($ids::int[]) and ${isDelivered}
      and not exists (select from event e where e.source_id = s.id and e.kind = 'shipment delivered')
    order by s.id`,
    { ids },
  )

/** SQL: every parcel of shipment s has a label and is delivered. */
const isDelivered = `s.state = 'packed'
      and not exists (
        select from parcel p
        where p.source_id = s.id and not exists (
          select from label l where l.parcel_id = p.id and l.state = 'made' and l.way = 'delivered'
        )
      )`

/** Those of these orders of which a shipment is not delivered whole, or that routines were told of already. */
export const ordersUndelivered = (ids: readonly number[]) =>
  rows<{ id: number }>(
    `select o.id
    from sales_order o
    where o.id = any($ids::int[]) and (
      exists (select from shipment s where s.order_id = o.id and s.state = 'packed' and not (${isDelivered}))
      or exists (select from event e where e.source_id = o.id and e.kind = 'order delivered')
    )`,
    { ids },
  )
