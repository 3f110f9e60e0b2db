import type { OrderLineFacts } from '../../../core/documents/facts'
import type { ShipmentFacts } from '../../../core/documents/shipment'
import { shipmentKinds } from '../../../core/documents/kinds'
import { one, rows } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'

/* The statements of source.ts. */

/** Of whichever the later one moves: the shipment's own changes and its order's. */
const version = 's.version + o.version'

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
      s.day::text "eventDay", o.number, o.date::text "date", o.supplied_on::text "suppliedOn", o.currency,
      o.prices_include_tax "pricesIncludeTax", o.reference, o.customer_note "customerNote", o.fields,
      c.fields "customerFields", coalesce(nullif(o.salesperson, ''), c.salesperson) salesperson,
      s.delivery, '0' prepaid, '[]'::jsonb adjustments, o.brand_id "brandId", o.branch_id "branchId",
      ${version} "version", o.revision, '0' total, c.id "customerId", c.number "customerNumber",
      c.name "customerName", c.tax_number "taxNumber", c.terms, c.language "customerLanguage",
      coalesce((billed_to(o.id)).address, c.billing) billing,
      preferences_for(c, o.id, $kinds::text[]) preferences, c.version "customerVersion",
      c.tax_treatment treatment
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
