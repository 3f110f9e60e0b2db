import type { OrderLineFacts, ReplacedFacts } from '../../../core/documents/facts'
import { orderKinds } from '../../../core/documents/kinds'
import type { OrderToDocument } from '../../../core/orders/statuses'
import { rows, one, run } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'

/* The statements of source.ts. */

export const orderSubjects = (orderIds: readonly number[]) =>
  rows<SubjectRow>(
    `select o.id "sourceId", null::int "creditsId", null::int "replacesId", null "wantedDate",
      coalesce(
        o.supplied_on, (o.status_since at time zone (select time_zone from company))::date
      )::text "eventDay",
      o.number, o.status, o.date::text "date", o.supplied_on::text "suppliedOn", o.currency,
      o.prices_include_tax "pricesIncludeTax", o.reference,
      o.customer_note "customerNote", o.fields, c.fields "customerFields",
      coalesce(nullif(o.salesperson, ''), c.salesperson) salesperson, o.delivery, o.prepaid,
      o.adjustments, o.brand_id "brandId", o.branch_id "branchId", o.version, o.revision, o.total, c.id "customerId",
      c.number "customerNumber", c.name "customerName", c.tax_number "taxNumber", c.terms,
      c.language "customerLanguage",
      coalesce((billed_to(o.id)).address, c.billing) billing,
      preferences_for(c, o.id, $kinds::text[]) preferences, c.version "customerVersion",
      c.tax_treatment treatment, c.needs
    from sales_order o
    join customer c on c.id = o.customer_id
    where o.id = any($orderIds::int[])`,
    { orderIds, kinds: orderKinds },
  )

export const linesOfOrders = (orderIds: readonly number[]) =>
  rows<OrderLineFacts & { orderId: number; position: number }>(
    `select order_id "orderId", position, item_code item, description, detail, l.unit, quantity,
      unit_price "unitPrice", discount_percent "discountPercent", l.tax_code "taxCode",
      l.fields own, coalesce(i.fields, '{}') "ofItem"
    from order_line l
    left join item i on i.code = l.item_code
    where order_id = any($orderIds::int[])
    order by order_id, position`,
    { orderIds },
  )

export const confirmationsOfOrders = (orderIds: readonly number[]) =>
  rows<ReplacedFacts & { orderId: number }>(
    `select distinct on (d.source_id) d.source_id "orderId", d.id, d.number, d.date::text date
    from document d
    where d.source_id = any($orderIds::int[])
      and d.kind = 'order confirmation'
      and not exists (select from document_void v where v.document_id = d.id)
    order by d.source_id, d.id desc`,
    { orderIds },
  )

export const orderToRefuse = (orderId: number) =>
  one<OrderToDocument & { stopped: string | null }>(
    `select o.number, o.status, o.supplied_on::text "suppliedOn",
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped
    from sales_order o
    where o.id = $orderId`,
    { orderId },
  )

export const raiseOrderVersion = (id: number) =>
  run('update sales_order set version = version + 1 where id = $id', { id })
