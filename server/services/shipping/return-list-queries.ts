import { one, rows } from '../../db/connection'
import { keyset, likeText, paged, type Listed, type Sort } from '../keyset'
import { within } from '../people/brand-queries'
import { theHouse, type Principal } from '../people/principal'
import type { ReturnFilter, ReturnList, ReturnRow, ReturnSort } from './return-list'

/* The statements of return-list.ts. */

const sorts: Record<ReturnSort, Pick<Sort, 'key' | 'type'>> = {
  day: { key: 'r.day', type: 'date' },
  label: { key: 'r.label', type: 'text' },
  customer: { key: 'c.name', type: 'text' },
  until: { key: 'r.until', type: 'date' },
}

/** SQL: its credit notes that stand, or are being drafted. */
const credits = `select coalesce(d.number, 'draft') number
      from return_credit k
      join draft b on b.id = k.draft_id and b.state <> 'dropped'
      left join document d on d.source_id = b.id
      where k.return_id = r.id and not exists (select from document_void v where v.document_id = d.id)`

const shown: Record<ReturnList, string> = {
  expected: `r.state = 'expected'`,
  late: `r.state = 'expected' and r.until < (now() at time zone (select time_zone from company))::date`,
  uncredited: `r.state = 'back' and not exists (${credits})`,
  back: `r.state = 'back'`,
  withdrawn: `r.state = 'withdrawn'`,
  all: 'true',
}

function conditions(filter: ReturnFilter, parameters: unknown[], who: Principal): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const found = [within(who, 'r.brand_id'), shown[filter.what]]
  if (filter.search?.trim()) {
    const wanted = bind(likeText(filter.search))
    found.push(`(
      lower(r.label || ' ' || c.name) like ${wanted}
      or exists (select from label l where l.source_id = r.id and lower(l.tracking) like ${wanted})
    )`)
  }
  if (filter.brand) found.push(`b.code = ${bind(filter.brand)}`)
  if (filter.from) found.push(`r.day >= ${bind(filter.from)}::date`)
  return found.join(' and ')
}

const tables = 'goods_return r join customer c on c.id = r.customer_id join brand b on b.id = r.brand_id'

/** One page of returns, with the count of all that match. */
export async function listReturns(
  filter: ReturnFilter,
  who = theHouse,
): Promise<Listed<ReturnRow> & { matching: number }> {
  const parameters: unknown[] = []
  const where = conditions(filter, parameters, who)
  const { matching } = (await one<{ matching: number }>(
    `select count(*)::int matching from ${tables} where ${where}`,
    parameters,
  ))!
  const page = keyset(
    { ...sorts[filter.sort], descending: filter.descending },
    'r.id',
    filter.after,
    parameters,
  )
  const found = await rows<ReturnRow & { sortKey: string }>(
    `select r.id, r.label, r.state, r.day::text "day", r.until::text until, r.back_on::text "backOn",
      o.id "orderId", o.number "orderNumber", c.name "customerName", b.code brand, held.quantity, held.reasons,
      (
        select l.way
        from label l
        where l.source_id = r.id and l.state = 'made'
        order by l.way_at desc nulls last
        limit 1
      ) way,
      array(${credits}) credits, (${sorts[filter.sort].key})::text "sortKey"
    from ${tables}
    join sales_order o on o.id = r.order_id
    cross join lateral (
      select trim_scale(sum(case when r.state = 'back' then l.came_back else l.quantity end))::text quantity,
        coalesce(string_agg(distinct nullif(l.reason, ''), ', '), '') reasons
      from return_line l
      where l.return_id = r.id
    ) held
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return { ...paged(found, filter.limit), matching }
}
