import type { Address } from '../../../core/documents/facts'
import type { Day } from '../../../core/documents/days'
import type { EventFacts } from '../../../core/routines/routine'
import type { ParcelFacts } from '../../../core/shipping/parcels'
import type { ParcelWay } from '../../../core/shipping/tracking'
import type { LinePart } from '../../../core/shipping/quantities'
import { json, one, rows, run } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { ShipmentRow, ShipmentView } from './shipments'

/* The statements of shipments.ts. */

export interface OrderToShip {
  id: number
  number: string
  status: string
  /** The status that holds it; null when its goods may leave. */
  stopped: string | null
  brandId: number
  customerId: number
  customerName: string
  /** Where it goes: as agreed, or the address that is billed, without the person there. */
  delivery: Address | null
}

const orderToShipColumns = `o.id, o.number, o.status, o.brand_id "brandId", o.customer_id "customerId",
      c.name "customerName",
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped,
      coalesce(o.delivery, coalesce((billed_to(o.id)).address, c.billing) - 'attention') delivery`

export const orderToShip = (id: number) =>
  one<OrderToShip>(
    `select ${orderToShipColumns}
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $id`,
    { id },
  )

/** Nobody else ships of it before the caller's transaction ends. */
export const lockOrderToShip = (id: number) =>
  one<OrderToShip>(
    `select ${orderToShipColumns}
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = $id
    for update of o`,
    { id },
  )

/** The order with a number, or of which a shipment has it; of the person's brands. */
export const orderCalled = (code: string, who: Principal) =>
  one<{ id: number }>(
    `select o.id
    from source so
    join sales_order o on o.id = so.root_id
    where so.kind in ('order', 'shipment') and lower(so.label) = lower($code) and ${within(who, 'o.brand_id')}
    limit 1`,
    { code },
  )

/** A return that is called so; of the person's brands. */
export const returnCalled = (code: string, who: Principal) =>
  one<{ id: number }>(
    `select r.id
    from goods_return r
    where lower(r.label) = lower($code) and ${within(who, 'r.brand_id')}`,
    { code },
  )

/** Services that shipments went by, the newest first. */
export const servicesUsed = () =>
  rows<{ service: string }>(
    `select service
    from shipment
    where service <> ''
    group by service
    order by max(id) desc
    limit 20`,
  )

export const nextNumber = (orderId: number) =>
  one<{ number: number }>(
    'select coalesce(max(number), 0) + 1 number from shipment where order_id = $orderId',
    { orderId },
  )

export const insertLines = (shipmentId: number, lines: readonly LinePart[]) =>
  run(
    `insert into shipment_line (shipment_id, position, quantity)
    select $shipmentId, l.position, l.quantity
    from jsonb_to_recordset($lines::jsonb) as l (position int, quantity numeric)`,
    { shipmentId, lines: json(lines) },
  )

/** Puts these parcels in the place of those there were, each in the one of its number. */
export async function keepParcels(sourceId: number, parcels: readonly ParcelFacts[]): Promise<void> {
  await run('delete from parcel where source_id = $sourceId and number > $count', {
    sourceId,
    count: parcels.length,
  })
  await run(
    `insert into parcel (source_id, number, box, weight, contents)
    select $sourceId, p.place, p.parcel ->> 'box', (p.parcel ->> 'weight')::numeric, p.parcel -> 'contents'
    from jsonb_array_elements($parcels::jsonb) with ordinality as p (parcel, place)
    on conflict (source_id, number) do update
      set box = excluded.box, weight = excluded.weight, contents = excluded.contents`,
    { sourceId, parcels: json(parcels) },
  )
}

const orderFactsColumns = `o.number "order", o.total::text total, o.net::text net, o.currency, b.code brand,
      c.number customer, c.group_name "group", o.salesperson, o.fields`

/** What routines are told of a shipment; the country is the one that it goes to. */
export const shipmentFacts = (id: number) =>
  one<EventFacts>(
    `select ${orderFactsColumns}, s.delivery ->> 'country' country,
      (
        select coalesce(jsonb_agg(distinct l.item_code), '[]')
        from shipment_line sl
        join order_line l on l.order_id = o.id and l.position = sl.position
        where sl.shipment_id = s.id
      ) items
    from shipment s
    join sales_order o on o.id = s.order_id
    join customer c on c.id = o.customer_id
    join brand b on b.id = o.brand_id
    where s.id = $id`,
    { id },
  )

/** What routines are told of an order whose goods are there. */
export const deliveredFacts = (orderId: number) =>
  one<EventFacts>(
    `select ${orderFactsColumns},
      coalesce(o.delivery, (billed_to(o.id)).address, c.billing, '{}') ->> 'country' country,
      (
        select coalesce(jsonb_agg(distinct l.item_code), '[]')
        from order_line l
        where l.order_id = o.id
      ) items
    from sales_order o
    join customer c on c.id = o.customer_id
    join brand b on b.id = o.brand_id
    where o.id = $orderId`,
    { orderId },
  )

export const lockShipment = (id: number) =>
  one<{ id: number; label: string; version: number; state: string; orderId: number }>(
    `select id, label, version, state, order_id "orderId" from shipment where id = $id for update`,
    { id },
  )

export const updateShipment = (given: {
  id: number
  day: Day
  service: string
  remarks: string
  delivery: Address
}) =>
  run(
    `update shipment
    set day = $day::date, service = $service, remarks = $remarks, delivery = $delivery::jsonb, version = version + 1
    where id = $id`,
    { ...given, delivery: json(given.delivery) },
  )

export const shipmentRow = (id: number) =>
  one<Omit<ShipmentView, 'lines' | 'parcels' | 'services' | 'boxes' | 'papers' | 'labels' | 'history'>>(
    `select s.id, s.label, s.number, s.state, s.day::text "day", s.delivery, s.service, s.remarks, s.version,
      s.made_at "madeAt", s.made_by "madeBy", o.id "orderId", o.number "orderNumber", o.status "orderStatus",
      c.id "customerId", c.name "customerName", b.code brand, c.language,
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped
    from shipment s
    join sales_order o on o.id = s.order_id
    join customer c on c.id = s.customer_id
    join brand b on b.id = s.brand_id
    where s.id = $id`,
    { id },
  )

export const linesOfShipment = (id: number) =>
  rows<LinePart>(
    `select position, trim_scale(quantity)::text quantity
    from shipment_line
    where shipment_id = $id
    order by position`,
    { id },
  )

export const parcelsOf = (ids: readonly number[]) =>
  rows<ParcelFacts & { id: number; sourceId: number }>(
    `select id, source_id "sourceId", box, trim_scale(weight)::text weight, contents
    from parcel
    where source_id = any($ids::int[])
    order by source_id, number`,
    { ids },
  )

/** Documents of a shipment or a return, the newest first. */
export const papersOf = (id: number) =>
  rows<ShipmentView['papers'][number]>(
    `select p.id, p.kind, p.state, p.revision, p.problem, d.id "documentId", d.number,
      exists (select from document_void v where v.document_id = d.id) voided
    from prepared_document p
    left join document d on d.prepared_id = p.id
    where p.source_id = $id
    order by p.id desc`,
    { id },
  )

/** Numbers of what was issued for it and is not void. */
export const documentsOf = (id: number) =>
  rows<{ number: string }>(
    `select d.number
    from document d
    where d.source_id = $id and not exists (select from document_void v where v.document_id = d.id)
    order by d.id`,
    { id },
  )

/** A label that was bought, and how far its parcel is. */
export interface ParcelOnItsWay {
  tracking: string
  url: string
  way: ParcelWay
  price: string
  currency: string
  isReturn: boolean
}

/** The bought labels of a consignment, as an order's screen shows where its parcels are. */
export const waysOf = (sourceId: string) => `(
  select coalesce(
    jsonb_agg(
      jsonb_build_object(
        'tracking', l.tracking, 'url', l.tracking_url, 'way', l.way, 'price', l.price::text,
        'currency', l.currency, 'isReturn', coalesce((l.asked->>'isReturn')::boolean, false)
      )
      order by l.parcel, l.id
    ),
    '[]'
  )
  from label l
  where l.source_id = ${sourceId} and l.state = 'made'
)`

export const shipmentsOfOrder = (orderId: number) =>
  rows<
    Pick<
      ShipmentRow,
      'id' | 'label' | 'number' | 'state' | 'day' | 'service' | 'parcels' | 'labels' | 'weight'
    > & { ways: ParcelOnItsWay[] }
  >(
    `select s.id, s.label, s.number, s.state, s.day::text "day", s.service,
      count(p.id)::int parcels,
      (
        select count(*)::int
        from label l
        join parcel q on q.id = l.parcel_id
        where q.source_id = s.id and l.state = 'made'
      ) labels,
      ${waysOf('s.id')} ways,
      case when count(p.weight) = count(p.id) then trim_scale(sum(p.weight))::text end weight
    from shipment s
    left join parcel p on p.source_id = s.id
    where s.order_id = $orderId
    group by s.id
    order by s.number`,
    { orderId },
  )
