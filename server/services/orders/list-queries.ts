import { rows, one } from '../../db/connection'
import { type Sort, likeText, type Listed, keyset, paged } from '../keyset'
import { type Principal, theHouse } from '../people/principal'
import { within } from '../people/brand-queries'
import type { OrderSort, OrderFilter, OrderRow, OrderView } from './list'
import type { LineEdit } from './orders'

/* The statements of list.ts. */

const sorts: Record<OrderSort, Pick<Sort, 'key' | 'type'>> = {
  date: { key: 'o.date', type: 'date' },
  number: { key: 'o.number', type: 'text' },
  customer: { key: 'c.name', type: 'text' },
  total: { key: 'o.total', type: 'numeric' },
  status: { key: 'o.status_since', type: 'timestamptz' },
}

function conditions(filter: OrderFilter, parameters: unknown[], who: Principal): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [within(who, 'o.brand_id')]
  if (filter.search?.trim()) found.push(`o.search like ${bind(likeText(filter.search))}`)
  if (filter.statuses.length > 0) found.push(`o.status = any(${bind(filter.statuses)}::text[])`)
  if (filter.brand) found.push(`b.code = ${bind(filter.brand)}`)
  if (filter.over) found.push(`o.total > ${bind(filter.over)}::numeric`)
  if (filter.from) found.push(`o.date >= ${bind(filter.from)}::date`)
  if (filter.without)
    found.push(
      `not exists (select from claim k where k.source_id = o.id and k.document_kind = ${bind(filter.without)})`,
    )
  if (filter.shipped) found.push(shippedInPart)
  return found.join(' and ')
}

/** SQL: a shipment of it stands, and something of a line is left to ship. */
const shippedInPart = `exists (select from shipment s where s.order_id = o.id and s.state = 'packed')
    and exists (
      select from order_line l
      where l.order_id = o.id and l.quantity > coalesce(
        (
          select sum(p.quantity)
          from shipment_line p
          join shipment s on s.id = p.shipment_id and s.state = 'packed'
          where s.order_id = o.id and p.position = l.position
        ),
        0
      )
    )`

const tables = 'sales_order o join customer c on c.id = o.customer_id join brand b on b.id = o.brand_id'

/** One page of orders, with the count and sums of all that match. */
export async function listOrders(
  filter: OrderFilter,
  who = theHouse,
): Promise<Listed<OrderRow> & { matching: number; sums: { currency: string; sum: string }[] }> {
  const parameters: unknown[] = []
  const where = conditions(filter, parameters, who)
  const sums = await rows<{ currency: string; sum: string; count: number }>(
    `select o.currency, sum(o.total)::text sum, count(*)::int count
    from ${tables}
    where ${where}
    group by 1
    order by 1`,
    parameters,
  )
  const page = keyset(
    { ...sorts[filter.sort], descending: filter.descending },
    'o.id',
    filter.after,
    parameters,
  )
  const found = await rows<OrderRow & { sortKey: string }>(
    `select o.id, o.number, o.date::text date, c.name "customerName", c.group_name "groupName", b.code brand,
      coalesce((select name from branch where branch.id = o.branch_id), '') branch, o.status,
      o.status_since "statusSince", o.total::text total, o.currency, o.reference, o.salesperson,
      o.fields, (${sorts[filter.sort].key})::text "sortKey",
      (
        select coalesce(d.number, 'prepared')
        from claim k
        left join document d on d.id = k.document_id
        where k.source_id = o.id and k.document_kind = 'invoice'
        limit 1
      ) invoice
    from ${tables}
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return {
    ...paged(found, filter.limit),
    matching: sums.reduce((total, row) => total + row.count, 0),
    sums: sums.map(({ currency, sum }) => ({ currency, sum })),
  }
}

export const orderRow = (id: number) =>
  one<Omit<OrderView, 'lines' | 'standing' | 'shipments' | 'papers' | 'evaluations' | 'history'>>(
    `select o.id, o.number, o.date::text date, c.name "customerName", c.id "customerId",
      c.language, c.group_name "groupName", b.code brand, o.status, o.status_since "statusSince", o.net::text net,
      o.total::text total, o.currency, o.reference, o.salesperson, o.version, o.customer_note "customerNote",
      o.prepaid::text prepaid, o.supplied_on::text "suppliedOn",
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped,
      o.prices_include_tax "pricesIncludeTax", o.adjustments, o.fields, o.bill_to_id "billToId",
      o.delivery, o.internal_note "internalNote", o.branch_id "branchId"
    from ${tables}
    where o.id = $id`,
    { id },
  )

export const editableLines = (id: number) =>
  rows<LineEdit>(
    `select item_code item, description, detail, unit, trim_scale(quantity)::text quantity,
      (
        case when scale(trim_scale(unit_price)) < 2 then round(unit_price, 2) else trim_scale(unit_price) end
      )::text "unitPrice",
      trim_scale(discount_percent)::text "discountPercent", tax_code "taxCode", fields
    from order_line
    where order_id = $id
    order by position`,
    { id },
  )

export const papersOfOrder = (id: number) =>
  rows<OrderView['papers'][number]>(
    `select p.id, p.source_id "sourceId", p.kind, p.state, p.revision,
      exists (select from document_void v where v.document_id = d.id) voided, d.id "documentId", d.number,
      p.total::text total, p.since, p.problem
    from prepared_document p
    left join document d on d.prepared_id = p.id
    where p.source_id in (select id from source where root_id = $id)
    order by p.id desc`,
    { id },
  )

export const evaluationsOfOrder = (id: number) =>
  rows<OrderView['evaluations'][number]>(
    `select r.name routine, e.outcome, e.reason, e.seen, e.at, e.routine_version "version"
    from evaluation e
    join routine r on r.id = e.routine_id
    where e.source_id in (select id from source where root_id = $id)
    order by e.id desc
    limit 50`,
    { id },
  )
