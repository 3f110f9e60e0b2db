import { type Day, dayInZone } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { rows } from '../../db/connection'
import { ownFields } from '../fields/own-fields'
import { company } from '../house/house'
import { type Listed, likeText, keyset, paged } from '../keyset'
import { brandsOf, type Principal, theHouse } from '../people/principal'
import { buysWithin, within } from '../people/brand-queries'
import type { AccountFilter, AccountRow, PaymentFilter, PaymentRow } from './accounts'

/* The statements of accounts.ts. */

/** SQL: that open item `i` is of a brand which this one may see. */
const itemWithin = (who: Principal) =>
  who.brands === null ? 'true' : `i.document_id in (select id from document where ${within(who, 'brand_id')})`

/**
 * SQL: that open item `i` is owed and of each ageing step, in the order of `ageingSteps`; `today` is the parameter's
 * name. Sums that are told apart by these need one look at each item, and no sorting by step.
 */
const ofStep = (today: '$1' | '$today') => {
  const dayBefore = (days: number) => `${today}::date - ${days}`
  return [
    `i.due_date >= ${today}::date`,
    `i.due_date between ${dayBefore(30)} and ${dayBefore(1)}`,
    `i.due_date between ${dayBefore(60)} and ${dayBefore(31)}`,
    `i.due_date between ${dayBefore(90)} and ${dayBefore(61)}`,
    `i.due_date < ${dayBefore(90)}`,
  ].map((when) => `i.open > 0 and ${when}`)
}

const stepSums = ofStep('$1')
  .map((where) => `coalesce(sum(i.open) filter (where ${where}), 0)::text`)
  .join(',\n      ')

const accountsSql = (who: Principal) => `
  select (c.id * 8 + row_number() over (partition by c.id order by coalesce(g.currency, p.currency)))::int id,
    c.id "customerId", c.number, c.name, coalesce(g.currency, p.currency) currency,
    coalesce(g.steps, '{0,0,0,0,0}') steps, coalesce(g.overdue, 0) overdue,
    coalesce(g.credit, 0) - coalesce(p.open, 0) credit, coalesce(g.balance, 0) - coalesce(p.open, 0) balance,
    g.oldest::text "oldestDue", coalesce(g.disputed, false) disputed, coalesce(g.promised, false) promised,
    c.terms ? 'collected' collected, c.group_name "group", c.billing ->> 'country' country, c.salesperson, c.fields
  from (
    select i.customer_id, i.currency, array[${stepSums}] steps,
      coalesce(sum(i.open) filter (where i.open > 0 and i.due_date < $1::date), 0) overdue,
      coalesce(sum(i.open) filter (where i.open < 0), 0) credit, sum(i.open) balance,
      min(i.due_date) filter (where i.open > 0) oldest, bool_or(i.dispute <> '' and i.open > 0) disputed,
      bool_or(i.promised_on >= $1::date) promised
    from open_item i
    where i.open <> 0 and ${itemWithin(who)}
    group by 1, 2
  ) g
  full join (
    select customer_id, currency, sum(case direction when 'in' then open else -open end) open
    from payment
    where open <> 0 and ${within(who, 'brand_id')}
    group by 1, 2
  ) p
    on p.customer_id = g.customer_id
    and p.currency = g.currency
  join customer c on c.id = coalesce(g.customer_id, p.customer_id)`

const sorts = {
  overdue: { key: 'x.overdue', type: 'numeric' },
  name: { key: 'x.name', type: 'text' },
  balance: { key: 'x.balance', type: 'numeric' },
} as const
export async function today(): Promise<Day> {
  return dayInZone(clock.now(), (await company()).timeZone)
}

/** Who looks, seeing the one brand alone that a filter names. */
export async function seeing({ brand }: Pick<AccountFilter, 'brand'>, who: Principal): Promise<Principal> {
  if (!brand) return who
  const named = await rows<{ id: number }>('select id from brand where code = $brand', { brand })
  return { ...who, brands: brandsOf(who, named).map(({ id }) => id) }
}

/** SQL: that account `x` matches; `parameters` begins with today. */
function matches(filter: AccountFilter, who: Principal, parameters: unknown[]): string {
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const conditions = ['true']
  if (filter.search?.trim()) {
    const like = bind(likeText(filter.search))
    conditions.push(`(lower(x.name) like ${like} or x.number like ${like})`)
  }
  if (filter.only === 'overdue') conditions.push('x.overdue > 0')
  if (filter.only === 'credit') conditions.push('x.credit < 0')
  if (filter.group) conditions.push(`x.group = ${bind(filter.group)}`)
  if (filter.country) conditions.push(`x.country = ${bind(filter.country)}`)
  if (filter.salesperson) conditions.push(`x.salesperson = ${bind(filter.salesperson)}`)
  if (filter.field) {
    const value = `lower(coalesce(x.fields ->> ${bind(filter.field)}, ''))`
    conditions.push(
      filter.fieldHolds?.trim() ? `${value} like ${bind(likeText(filter.fieldHolds))}` : `${value} <> ''`,
    )
  }
  if (filter.overdueOver) conditions.push(`x.overdue > ${bind(filter.overdueOver)}::numeric`)
  if (filter.balanceOver) conditions.push(`x.balance > ${bind(filter.balanceOver)}::numeric`)
  if (filter.lateOver !== undefined)
    conditions.push(`$1::date - x."oldestDue"::date > ${bind(filter.lateOver)}::int`)
  const notWithin = (kind: DocumentKind, days: number) =>
    `coalesce(${lastOf(kind, who)}, '') < ($1::date - ${bind(days)}::int)::text`
  if (filter.notStatedFor !== undefined)
    conditions.push(notWithin('statement of account', filter.notStatedFor))
  if (filter.notRemindedFor !== undefined)
    conditions.push(notWithin('payment reminder', filter.notRemindedFor))
  return conditions.join(' and ')
}

/** All accounts that match, in no order. */
export async function matchingAccounts(
  filter: AccountFilter,
  who: Principal,
): Promise<{ customerId: number; currency: string }[]> {
  const parameters: unknown[] = [await today()]
  const seen = await seeing(filter, who)
  const where = matches(filter, seen, parameters)
  return rows(
    `select x."customerId", x.currency
    from (${accountsSql(seen)}) x
    where ${where}`,
    parameters,
  )
}

/** What accounts can be narrowed by. */
export async function accountChoices(
  who: Principal,
): Promise<{ groups: string[]; salespeople: string[]; countries: string[]; fields: string[] }> {
  const distinct = async (column: string) => {
    const found = await rows<{ value: string }>(
      `select distinct ${column} value
      from customer c
      where coalesce(${column}, '') <> '' and ${buysWithin(who, 'c.id')}
      order by 1`,
    )
    return found.map((one) => one.value)
  }
  return {
    groups: await distinct('c.group_name'),
    salespeople: await distinct('c.salesperson'),
    countries: await distinct("c.billing ->> 'country'"),
    fields: (await ownFields('customer')).map(({ name }) => name),
  }
}

/** SQL: of what day document `d` with its `p` is: a statement's occasion ends in it. A paper takes long to read. */
const dayOf: Partial<Record<DocumentKind, string>> = {
  'statement of account': 'right(p.occasion, 10)',
  'payment reminder': 'd.date::text',
}

/** SQL: the last day of the newest statement or reminder of account `x` that was issued, of brands that one may see. */
const lastOf = (kind: DocumentKind, who: Principal) => `(
  select max(${dayOf[kind]})
  from account a
  join document d on d.source_id = a.id and d.kind = '${kind}'
  join prepared_document p on p.id = d.prepared_id
  where a.customer_id = x."customerId" and a.currency = x.currency and ${within(who, 'a.brand_id')}
    and not exists (select from document_void v where v.document_id = d.id)
)`

/** Customers with something open, most overdue first unless sorted otherwise. */
export async function accounts(
  filter: AccountFilter,
  who = theHouse,
): Promise<Listed<AccountRow> & { matching: number; sums: { currency: string; balance: string }[] }> {
  const parameters: unknown[] = [await today()]
  const seen = await seeing(filter, who)
  const where = matches(filter, seen, parameters)
  const page = keyset(
    { ...sorts[filter.sort], descending: filter.descending },
    'x.id',
    filter.after,
    parameters,
  )
  const found = await rows<AccountRow & { sortKey: string; matching: number; sums: Sums }>(
    `with
      x as materialized (select x.* from (${accountsSql(seen)}) x where ${where})
    select x.*, x.overdue::text overdue, x.credit::text credit, x.balance::text balance,
      (select count(*)::int from x) matching, (${sorts[filter.sort].key})::text "sortKey",
      ${lastOf('statement of account', seen)} stated, ${lastOf('payment reminder', seen)} reminded,
      (
        select jsonb_agg(jsonb_build_object('currency', s.currency, 'balance', s.balance::text) order by s.currency)
        from (select x.currency, sum(x.balance) balance from x group by 1) s
      ) sums
    from x
    where ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  const { matching = 0, sums = [] } = found[0] ?? {}
  const listed = paged(found, filter.limit)
  return {
    rows: listed.rows.map(({ matching: _, sums: __, ...row }) => row),
    after: listed.after,
    matching,
    sums,
  }
}

type Sums = { currency: string; balance: string }[]

/** SQL: what a list says of payment `p` of customer `c`. */
export const paymentColumns = `
  p.id, p.direction, p.customer_id "customerId", c.name "customerName", p.date::text date, p.method,
  p.amount::text amount, p.currency, p.reference, p.open::text open, p.made_at "madeAt", p.made_by "madeBy",
  p.reverses_id is not null reverses, exists (select from payment r where r.reverses_id = p.id) undone,
  (
    select coalesce(jsonb_agg(s order by s.number), '[]')
    from (
      select d.id "documentId", d.number,
        coalesce(sum(a.amount) filter (where a.kind = 'payment'), 0)::text amount,
        coalesce(sum(a.amount) filter (where a.kind = 'discount'), 0)::text discount,
        coalesce(sum(a.amount) filter (where a.kind = 'write-off'), 0)::text "writeOff", d.tax::text tax,
        d.total::text total
      from allocation a
      join document d on d.id = a.to_document_id
      where a.payment_id = p.id
      group by d.id
    ) s
  ) settles,
  (
    select jsonb_build_object('documentId', d.id, 'number', d.number)
    from document d
    where d.source_id = p.id
    order by d.id desc
    limit 1
  ) receipt`

export const paymentSorts = {
  date: { key: 'p.date', type: 'date' },
  customer: { key: 'c.name', type: 'text' },
  method: { key: 'p.method', type: 'text' },
  rest: { key: 'p.open', type: 'numeric' },
  total: { key: 'p.amount', type: 'numeric' },
} as const
/** One page of payments and refunds. */
export async function listPayments(filter: PaymentFilter, who = theHouse): Promise<Listed<PaymentRow>> {
  const parameters: unknown[] = []
  const bind = (value: unknown) => `$${parameters.push(value)}`
  const conditions = [within(who, 'p.brand_id')]
  if (filter.search?.trim()) {
    const text = bind(likeText(filter.search))
    conditions.push(
      `(
        lower(c.name || ' ' || p.reference) like ${text}
          or p.amount::text like ${text}
          or exists (
            select
            from allocation a
            join document d on d.id = a.to_document_id
            where a.payment_id = p.id and lower(d.number) like ${text}
          )
      )`,
    )
  }
  if (filter.direction) conditions.push(`p.direction = ${bind(filter.direction)}`)
  if (filter.onAccount) conditions.push('p.open <> 0')
  const sort = paymentSorts[filter.sort ?? 'date']
  const page = keyset({ ...sort, descending: filter.descending ?? true }, 'p.id', filter.after, parameters)
  const found = await rows<PaymentRow & { sortKey: string }>(
    `select ${paymentColumns}, ${sort.key}::text "sortKey"
    from payment p
    join customer c on c.id = p.customer_id
    where ${conditions.join(' and ')} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return paged(found, filter.limit)
}

export const ageingSums = (who: Principal, today: string) =>
  rows<{ currency: string; step: number; sum: string; count: number; disputed: string }>(
    `select s.currency, x.*
    from (
      select i.currency, ${[...ofStep('$today'), 'i.open < 0'].map(ageingOf).join(',\n        ')}
      from open_item i
      where i.open <> 0 and ${itemWithin(who)}
      group by 1
    ) s
    cross join lateral (
      values ${[0, 1, 2, 3, 4, -1].map((step, at) => `(${step}, sum_${at}, count_${at}, disputed_${at})`).join(', ')}
    ) x (step, sum, count, disputed)
    where x.count > 0
    union all
    select currency, -1, (-sum(case direction when 'in' then open else -open end))::text, count(*)::int, '0'
    from payment
    where open <> 0 and ${within(who, 'brand_id')}
    group by 1`,
    { today },
  )

/** SQL: sum, count and disputed sum of the open items `i` of which this holds, at its place among the steps. */
const ageingOf = (where: string, at: number) => `
        coalesce(sum(i.open) filter (where ${where}), 0)::text sum_${at},
        count(*) filter (where ${where})::int count_${at},
        coalesce(sum(i.open) filter (where ${where} and i.dispute <> ''), 0)::text disputed_${at}`
