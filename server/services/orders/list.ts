import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import type { ConditionSeen } from '../../../core/routines/routine'
import { one, rows } from '../../db/connection'
import { keyset, likeText, paged, type Listed, type Sort } from '../keyset'
import { historyOf, type HistoryEntry } from '../history/history'
import type { LineEdit } from './orders'
import { theHouse, within, type Principal } from '../people/principal'

export interface OrderRow {
  id: number
  number: string
  date: string
  customerName: string
  groupName: string
  brand: string
  status: string
  statusSince: Date
  total: string
  currency: string
  reference: string | null
  salesperson: string
  invoice: string | null
}

export type OrderSort = 'date' | 'number' | 'customer' | 'total' | 'status'

const sorts: Record<OrderSort, Pick<Sort, 'key' | 'type'>> = {
  date: { key: 'o.date', type: 'date' },
  number: { key: 'o.number', type: 'text' },
  customer: { key: 'c.name', type: 'text' },
  total: { key: 'o.total', type: 'numeric' },
  status: { key: 'o.status_since', type: 'timestamptz' },
}

export interface OrderFilter {
  search?: string
  statuses: string[]
  brand?: string
  over?: string
  sort: OrderSort
  descending: boolean
  after?: string
  limit: number
}

function conditions(filter: OrderFilter, parameters: unknown[], who: Principal): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [within(who, 'o.brand_id')]
  if (filter.search?.trim()) found.push(`o.search like ${bind(likeText(filter.search))}`)
  if (filter.statuses.length > 0) found.push(`o.status = any(${bind(filter.statuses)}::text[])`)
  if (filter.brand) found.push(`b.code = ${bind(filter.brand)}`)
  if (filter.over) found.push(`o.total > ${bind(filter.over)}::numeric`)
  return found.join(' and ')
}

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
      o.status, o.status_since "statusSince", o.total::text total, o.currency, o.reference, o.salesperson,
      (${sorts[filter.sort].key})::text "sortKey",
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

export interface OrderView extends Omit<OrderRow, 'invoice'> {
  version: number
  customerId: number
  customerNote: string | null
  net: string
  prepaid: string
  suppliedOn: string | null
  /** The status that holds its documents back; null when they may leave. */
  stopped: string | null
  pricesIncludeTax: boolean
  adjustments: { kind: string; label: string; amount?: string; percent?: string }[]
  lines: LineEdit[]
  fields: Record<string, string>
  papers: {
    id: number
    /** The source that it is made of: the order itself, or a draft of a part of it. */
    sourceId: number
    kind: DocumentKind
    state: string
    revision: number
    voided: boolean
    documentId: number | null
    number: string | null
    total: string
    since: Date
    problem: string | null
  }[]
  evaluations: {
    routine: string
    outcome: string
    reason: string
    seen: ConditionSeen[]
    at: Date
    version: number
  }[]
  history: HistoryEntry[]
}

/**
 * One order with its lines, papers, what the routines thought of it, and its history. @throws Refusal
 * "no-such-order"
 */
export async function orderView(id: number): Promise<OrderView> {
  const order = await one<Omit<OrderView, 'lines' | 'papers' | 'evaluations' | 'history'>>(
    `select o.id, o.number, o.date::text date, c.name "customerName", c.id "customerId",
      c.group_name "groupName", b.code brand, o.status, o.status_since "statusSince", o.net::text net,
      o.total::text total, o.currency, o.reference, o.salesperson, o.version, o.customer_note "customerNote",
      o.prepaid::text prepaid, o.supplied_on::text "suppliedOn",
      (select ss.status from stopped_source ss where ss.source_id = o.id) stopped,
      o.prices_include_tax "pricesIncludeTax", o.adjustments, o.fields
    from ${tables}
    where o.id = $1`,
    [id],
  )
  if (!order) throw new Refusal('no-such-order', 'That order does not exist.', { status: 404 })
  const lines = await rows<LineEdit>(
    `select item_code item, description, detail, unit, trim_scale(quantity)::text quantity,
      (
        case when scale(trim_scale(unit_price)) < 2 then round(unit_price, 2) else trim_scale(unit_price) end
      )::text "unitPrice",
      trim_scale(discount_percent)::text "discountPercent", tax_code "taxCode"
    from order_line
    where order_id = $1
    order by position`,
    [id],
  )
  const papers = await rows<OrderView['papers'][number]>(
    `select p.id, p.source_id "sourceId", p.kind, p.state, p.revision,
      exists (select from document_void v where v.document_id = d.id) voided, d.id "documentId", d.number,
      p.total::text total, p.since, p.problem
    from prepared_document p
    left join document d on d.prepared_id = p.id
    where p.source_id in (select id from source where root_id = $1)
    order by p.id desc`,
    [id],
  )
  const evaluations = await rows<OrderView['evaluations'][number]>(
    `select r.name routine, e.outcome, e.reason, e.seen, e.at, e.routine_version "version"
    from evaluation e
    join routine r on r.id = e.routine_id
    where e.source_id in (select id from source where root_id = $1)
    order by e.id desc
    limit 50`,
    [id],
  )
  return { ...order, lines, papers, evaluations, history: await historyOf({ sourceId: id }) }
}

/** Items whose code or name begins with or holds a text, for a line's picker. */
export async function findItems(
  search: string,
  language: string,
): Promise<{ code: string; name: string; price: string; unit: string; taxCode: string }[]> {
  return rows(
    `select code, coalesce(names ->> $2, names ->> 'en') name, price::text price, unit, tax_code "taxCode"
    from item
    where lower(code) like $1 or lower(coalesce(names ->> $2, names ->> 'en')) like $1
    order by code
    limit 12`,
    [likeText(search), language],
  )
}
