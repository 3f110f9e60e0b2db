import type { OrderLineFacts } from '../../../core/documents/facts'
import type { ShipmentFacts } from '../../../core/documents/shipment'
import type { ReturnFacts } from '../../../core/documents/return'
import { returnKinds, shipmentKinds } from '../../../core/documents/kinds'
import { one, rows } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'

/* The statements of source.ts and return-source.ts. */

/** Of whichever the later one moves: the shipment's own changes and its order's. */
const version = 's.version + o.version'

/** What documents of shipments and returns take of their order and its customer; no sums stand on them. */
const ofOrder = `o.number, o.date::text "date", o.supplied_on::text "suppliedOn", o.currency,
      o.prices_include_tax "pricesIncludeTax", o.reference, o.customer_note "customerNote", o.fields,
      c.fields "customerFields", coalesce(nullif(o.salesperson, ''), c.salesperson) salesperson,
      '0' prepaid, '[]'::jsonb adjustments, o.brand_id "brandId", o.branch_id "branchId",
      ${version} "version", o.revision, '0' total, c.id "customerId", c.number "customerNumber",
      c.name "customerName", c.tax_number "taxNumber", c.terms, c.language "customerLanguage",
      coalesce((billed_to(o.id)).address, c.billing) billing, c.version "customerVersion",
      c.tax_treatment treatment`

export const shipmentSubjects = (ids: readonly number[]) =>
  rows<
    SubjectRow &
      Pick<ShipmentFacts, 'day' | 'service' | 'remarks'> & {
        orderId: number
        sentTo: ShipmentFacts['delivery']
        shipmentState: string
      }
  >(
    `select s.id "sourceId", s.order_id "orderId", s.day::text "day", s.service, s.remarks, s.delivery "sentTo",
      s.state "shipmentState", null::int "creditsId", null::int "replacesId", null "wantedDate",
      s.day::text "eventDay", ${ofOrder}, s.delivery, preferences_for(c, o.id, $kinds::text[]) preferences
    from shipment s
    join sales_order o on o.id = s.order_id
    join customer c on c.id = o.customer_id
    where s.id = any($ids::int[])`,
    { ids, kinds: shipmentKinds },
  )

export const wordsOfLines = (orderIds: readonly number[]) =>
  rows<OrderLineFacts & { orderId: number; position: number }>(
    `select order_id "orderId", position, item_code item, description, detail, l.unit, quantity,
      unit_price "unitPrice", discount_percent "discountPercent", l.tax_code "taxCode", l.fields own,
      coalesce(i.fields, '{}') "ofItem"
    from order_line l
    left join item i on i.code = l.item_code
    where order_id = any($orderIds::int[])
    order by order_id, position`,
    { orderIds },
  )

export const returnSubjects = (ids: readonly number[]) =>
  rows<
    SubjectRow &
      Pick<ReturnFacts, 'until' | 'remarks' | 'sender'> & {
        orderId: number
        called: string
        agreedOn: string
        comesTo: ReturnFacts['delivery']
        returnState: string
      }
  >(
    `select s.id "sourceId", s.order_id "orderId", s.label called, s.day::text "agreedOn", s.until::text until,
      s.remarks, s.sender, s.delivery "comesTo", s.state "returnState", null::int "creditsId", null::int "replacesId",
      null "wantedDate", s.day::text "eventDay", ${ofOrder}, s.sender delivery,
      preferences_for(c, o.id, $kinds::text[]) preferences
    from goods_return s
    join sales_order o on o.id = s.order_id
    join customer c on c.id = o.customer_id
    where s.id = any($ids::int[])`,
    { ids, kinds: returnKinds },
  )

/** What returns hold, by return. */
export const linesOfReturns = (ids: readonly number[]) =>
  rows<{ returnId: number; position: number; quantity: string; reason: string }>(
    `select return_id "returnId", position, trim_scale(quantity)::text quantity, reason
    from return_line
    where return_id = any($ids::int[])
    order by return_id, position`,
    { ids },
  )

export const returnVersions = (ids: readonly number[]) =>
  rows<{ id: number; version: number }>(
    `select s.id, ${version} "version"
    from goods_return s
    join sales_order o on o.id = s.order_id
    where s.id = any($ids::int[])`,
    { ids },
  )

export const shipmentVersions = (ids: readonly number[]) =>
  rows<{ id: number; version: number }>(
    `select s.id, ${version} "version"
    from shipment s
    join sales_order o on o.id = s.order_id
    where s.id = any($ids::int[])`,
    { ids },
  )

export const shipmentToRefuse = (id: number) =>
  one<{ label: string; state: string; order: string; stopped: string | null }>(
    `select s.label, s.state, o.number "order",
      (select ss.status from stopped_source ss where ss.source_id = s.id) stopped
    from shipment s
    join sales_order o on o.id = s.order_id
    where s.id = $id`,
    { id },
  )
