import { type Day, dayInZone } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { ageingSteps } from '../../../core/receivables/ageing'
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

/** SQL: that a due date is of each ageing step, in the order of `ageingSteps`; `today` is the parameter's name. */
const ofStep = (dueDate: string, today: '$1' | '$today') => {
  const dayBefore = (days: number) => `${today}::date - ${days}`
  return [
    `${dueDate} >= ${today}::date`,
    `${dueDate} between ${dayBefore(30)} and ${dayBefore(1)}`,
    `${dueDate} between ${dayBefore(60)} and ${dayBefore(31)}`,
    `${dueDate} between ${dayBefore(90)} and ${dayBefore(61)}`,
    `${dueDate} < ${dayBefore(90)}`,
  ]
}

/** Credit notes not used up and payments on account, below zero; what is to be refunded is above it. */
const creditsSql = (who: Principal) => `
  select i.customer_id, i.currency, i.open, i.dispute
  from open_item i
  where i.open < 0 and ${itemWithin(who)}
  union all
  select customer_id, currency, case direction when 'in' then -open else open end, ''
  from payment
  where open <> 0 and ${within(who, 'brand_id')}`

const stepSums = ofStep('i.due_date', '$1')
  .map((when, step) => `sum(i.open) filter (where ${when}) s${step}`)
  .join(', ')
const steps = ageingSteps.map((_, step) => `coalesce(g.s${step}, 0)`)

/**
 * Every account with what decides of it. Each amount is added once, to the sum of its age: what is owed in all and what
 * is overdue are made of those five. What is owed is told from what is credited before that: a comparison of decimals
 * costs as much as their sum.
 */
const accountsSql = (who: Principal) => `
  select (c.id * 8 + row_number() over (partition by c.id order by coalesce(g.currency, p.currency)))::int id,
    c.id "customerId", c.number, c.name, coalesce(g.currency, p.currency) currency,
    array[${steps.map((sum) => `${sum}::text`).join(', ')}] steps,
    ${steps.slice(1).join(' + ')} overdue, coalesce(p.open, 0) credit,
    ${steps.join(' + ')} + coalesce(p.open, 0) balance, g.oldest "oldestDue",
    coalesce(g.disputed, false) disputed, coalesce(g.promised, false) promised,
    c.group_name "group", c.billing ->> 'country' country, c.salesperson, c.fields
  from (
    select i.customer_id, i.currency, ${stepSums}, min(i.due_date) oldest, bool_or(i.dispute <> '') disputed,
      bool_or(i.promised_on >= $1::date) promised
    from open_item i
    where i.open > 0 and ${itemWithin(who)}
    group by 1, 2
  ) g
  full join (
    select k.customer_id, k.currency, sum(k.open) open
    from (${creditsSql(who)}) k
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
    conditions.push(`$1::date - x."oldestDue" > ${bind(filter.lateOver)}::int`)
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

/** SQL: what was issued of a kind of account `a`, document `d` with its prepared `p`, of brands that one may see. */
const issuedOf = (kinds: readonly DocumentKind[], who: Principal) => `
  from account a
  join document d on d.source_id = a.id and d.kind in (${kinds.map((kind) => `'${kind}'`).join(', ')})
  join prepared_document p on p.id = d.prepared_id
  where ${within(who, 'a.brand_id')} and not exists (select from document_void v where v.document_id = d.id)`

/** SQL: the last day of the newest statement or reminder of account `x` that was issued. */
const lastOf = (kind: DocumentKind, who: Principal) => `(
  select max(${dayOf[kind]})
  ${issuedOf([kind], who)}
    and a.customer_id = x."customerId" and a.currency = x.currency
)`

const dunning = ['statement of account', 'payment reminder'] as const

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
  const [stated, reminded] = dunning.map((kind) => `max(${dayOf[kind]}) filter (where d.kind = '${kind}')`)
  const found = await rows<AccountRow & { sortKey: string; matching: number; sums: Sums }>(
    `with
      every_account as materialized (
        select x.id, x."customerId", x.number, x.name, x.currency, x.steps, x.overdue, x.credit, x.balance,
          x."oldestDue", x.disputed, x.promised
        from (${accountsSql(seen)}) x
        where ${where}
      ),
      x as materialized (
        select x.*
        from every_account x
        where ${page.where}
        order by ${page.order}
        limit ${filter.limit + 1}
      ),
      last as (
        select a.customer_id, a.currency, ${stated} stated, ${reminded} reminded
        ${issuedOf(dunning, seen)} and a.customer_id in (select x."customerId" from x)
        group by 1, 2
      )
    select x.*, x.overdue::text overdue, x.credit::text credit, x.balance::text balance,
      x."oldestDue"::text "oldestDue", c.terms ? 'collected' collected,
      (select count(*)::int from every_account) matching, (${sorts[filter.sort].key})::text "sortKey",
      last.stated, last.reminded,
      (
        select jsonb_agg(jsonb_build_object('currency', s.currency, 'balance', s.balance::text) order by s.currency)
        from (select e.currency, sum(e.balance) balance from every_account e group by 1) s
      ) sums
    from x
    join customer c on c.id = x."customerId"
    left join last on last.customer_id = x."customerId" and last.currency = x.currency
    order by ${page.order}`,
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

/** What is open by currency and ageing step, −1 for credits. Items of a day are added up before they have a step. */
export const ageingSums = (who: Principal, today: string) =>
  rows<{ currency: string; step: number; sum: string; count: number; disputed: string }>(
    `select d.currency, s.step, sum(d.open)::text sum, sum(d.count)::int count, sum(d.disputed)::text disputed
    from (
      select i.currency, i.due_date, sum(i.open) open, count(*) count,
        coalesce(sum(i.open) filter (where i.dispute <> ''), 0) disputed
      from open_item i
      where i.open > 0 and ${itemWithin(who)}
      group by 1, 2
    ) d
    cross join lateral (
      select case ${ofStep('d.due_date', '$today')
        .map((when, step) => `when ${when} then ${step}`)
        .join(' ')} end step
    ) s
    group by 1, 2
    union all
    select k.currency, -1, sum(k.open)::text, count(*)::int,
      coalesce(sum(k.open) filter (where k.dispute <> ''), 0)::text
    from (${creditsSql(who)}) k
    group by 1`,
    { today },
  )
