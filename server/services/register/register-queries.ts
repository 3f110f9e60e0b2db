import { postedKinds } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { rows, one } from '../../db/connection'
import { sourceColumns, sourceJoins } from '../documents/sources'
import { type Sort, type Listed, keyset, paged, likeText } from '../keyset'
import { standsWithdrawn } from '../orders/queries'
import { theHouse, type Principal } from '../people/principal'
import { within } from '../people/brand-queries'
import type { RegisterSort, RegisterState, RegisterFilter, RegisterRow } from './register'

/* The statements of register.ts. */

const sorts: Record<RegisterSort, Pick<Sort, 'key' | 'type'>> = {
  issued: { key: 'd.issued_at', type: 'timestamptz' },
  number: { key: 'd.number', type: 'text' },
  customer: { key: 'd.customer_name', type: 'text' },
  total: { key: 'd.total', type: 'numeric' },
}

const stateConditions: Record<Exclude<RegisterState, 'overdue'>, string> = {
  open: 'exists (select from open_item x where x.document_id = d.id and x.open <> 0)',
  void: 'exists (select from document_void v where v.document_id = d.id)',
  withdrawn: standsWithdrawn,
  'earlier date': 'd.earlier_than is not null',
  'not sent': 'exists (select from undelivered u where u.document_id = d.id)',
  'taken over': 'd.series_id is null',
}

/** Documents by number, order, customer, reference or amount; newest first unless sorted otherwise. */
export async function register(filter: RegisterFilter, who = theHouse): Promise<Listed<RegisterRow>> {
  const parameters: unknown[] = []
  const where = matching(filter, parameters, who)
  const page = keyset(
    { ...sorts[filter.sort], descending: filter.descending },
    'd.id',
    filter.after,
    parameters,
  )
  const found = await rows<RegisterRow & { sortKey: string }>(
    `select d.id, d.number, d.kind, d.date::text date, d.order_number "orderNumber", ${sourceColumns},
      d.customer_name "customerName", b.code brand, d.total::text total, coalesce(i.open, 0)::text open,
      d.currency, s.state, d.series_id is null "takenOver",
      exists (select from document_void v where v.document_id = d.id) voided,
      case when k.total is null then '' when k.total < d.total then 'part' else 'whole' end credited,
      (${sorts[filter.sort].key})::text "sortKey"
    from document d
    ${sourceJoins('d')}
    join brand b on b.id = d.brand_id
    left join open_item i on i.document_id = d.id
    left join lateral (
      select x.state
      from dispatch x
      join dispatch_document dd on dd.dispatch_id = x.id
      where dd.document_id = d.id and not x.is_copy
      order by x.id desc
      limit 1
    ) s
      on true
    left join lateral (
      select sum(o.total) total
      from document o
      where o.credits_id = d.id and not exists (select from document_void v where v.document_id = o.id)
    ) k
      on true
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return paged(found, filter.limit)
}

/** States whose sums are of what is still open, and not of the totals. */
const openStates: readonly RegisterState[] = ['open', 'overdue']

/**
 * How many documents match, and what they come to (of open or overdue ones what is still open; else only what
 * is posted, where no kind is chosen): read over an index of its own, apart from the page that a person waits
 * for.
 */
export async function registerSums(
  filter: Pick<RegisterFilter, 'search' | 'state' | 'kind' | 'brand' | 'from' | 'to'>,
  who = theHouse,
): Promise<{ matching: number; sums: { currency: string; sum: string }[] }> {
  const parameters: unknown[] = []
  const where = matching(filter, parameters, who)
  const amount = openStates.includes(filter.state as RegisterState)
    ? '(select x.open from open_item x where x.document_id = d.id)'
    : `
      case
        when d.kind = 'credit note' then
          -d.total ${filter.kind ? '' : `when not d.kind in ('${postedKinds.join("', '")}') then 0 `}
        else d.total
      end`
  const sums = await rows<{ currency: string; sum: string; count: number }>(
    `select currency, sum(sum)::text sum, sum(count)::int count
    from (
      select d.currency, sum(${amount}) sum, count(*) count
      from document d
      where ${where}
      group by 1
      union all
      select d.currency, -sum(${amount}), 0
      from document_void v
      join document d on d.id = v.document_id
      where ${where}
      group by 1
    ) x
    group by 1
    order by 1`,
    parameters,
  )
  return {
    matching: sums.reduce((total, row) => total + row.count, 0),
    sums: sums.map(({ currency, sum }) => ({ currency, sum })),
  }
}

function matching(
  filter: Omit<RegisterFilter, 'sort' | 'descending' | 'after' | 'limit'>,
  parameters: unknown[],
  who: Principal,
): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const conditions = [within(who, 'd.brand_id')]
  const search = filter.search?.trim()
  if (search) {
    const text = `d.search like ${bind(likeText(search))}`
    const amount = amountIn(search)
    conditions.push(amount ? `(${text} or d.total = ${bind(amount)}::numeric)` : text)
  }
  if (filter.kind) conditions.push(`d.kind = ${bind(filter.kind)}`)
  if (filter.brand) conditions.push(`d.brand_id = (select id from brand where code = ${bind(filter.brand)})`)
  if (filter.from) conditions.push(`d.date >= ${bind(filter.from)}::date`)
  if (filter.to) conditions.push(`d.date <= ${bind(filter.to)}::date`)
  if (filter.state === 'overdue')
    conditions.push(
      `exists (
        select
        from open_item x, company y
        where x.document_id = d.id
          and x.open > 0
          and x.due_date < (${bind(clock.now())}::timestamptz at time zone y.time_zone)::date
      )`,
    )
  else if (filter.state) conditions.push(stateConditions[filter.state])
  return conditions.join(' and ')
}

/** "1,284.46", "1.284,46", "1284.46": an exact amount when the text is one. */
function amountIn(text: string): string | undefined {
  const bare = text.replace(/[\s€£]/g, '')
  if (!/^\d[\d.,]*$/.test(bare)) return undefined
  const match = /^(.*?)(?:[.,](\d{1,2}))?$/.exec(bare)!
  const whole = match[1]!.replace(/[.,]/g, '')
  return /^\d+$/.test(whole) ? `${whole}.${match[2] ?? '0'}` : undefined
}

export const fileOfDocument = (documentId: number) =>
  one<{ sha256: string | null; fileName: string; takenOver: boolean }>(
    `select f.sha256, f.file_name "fileName", d.series_id is null "takenOver"
    from document d
    left join document_file f on f.document_id = d.id
    where d.id = $documentId`,
    { documentId },
  )
