import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { kindsOf } from '../../../core/documents/kinds'
import type { LedgerEntry, OpenEntry } from '../../../core/receivables/statement'
import { rows, run } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { AccountAsked } from './accounts-due'

/* The statements, of the database, that statements of account are made from. */

/** SQL, after account `a`: `x.brands`, whose books its statement tells of. */
const statedBrands = `join lateral (
      select array_agg(s.brand_id) brands from account_stated s where s.account_id = a.id
    ) x
      on true`

/** SQL: those, or the account's own brand alone, by $together. */
const brandsTold = 'case when $together then x.brands else array[a.brand_id] end'

/** SQL: the name of brand `b`, where it is not the account's own. */
const otherBrand = 'case when b.id <> a.brand_id then b.name end'

/**
 * SQL: how often the books of account `a` with `statedBrands` changed. What is booked is never deleted, voiding and
 * marks come on top: so it only ever rises.
 */
const versionSql = `(
  (
    select count(*) + count(v.document_id) + coalesce(sum(extract(epoch from i.marked_at)), 0)
    from open_item i
    join document d on d.id = i.document_id
    left join document_void v on v.document_id = d.id
    where i.customer_id = a.customer_id and i.currency = a.currency and d.brand_id = any(x.brands)
  ) + (
    select count(*) + coalesce(sum(s.count), 0)
    from payment p
    left join lateral (select count(*) from settled s where s.payment_id = p.id) s on true
    where p.customer_id = a.customer_id and p.currency = a.currency and p.brand_id = any(x.brands)
  ) + (
    select count(*)
    from open_item i
    join document d on d.id = i.document_id
    join settled s on s.document_id = d.id
    where i.customer_id = a.customer_id and i.currency = a.currency and d.brand_id = any(x.brands)
  )
 + (
    select count(*)
    from reminder r
    join document d on d.id = r.document_id
    where d.customer_id = a.customer_id and d.currency = a.currency and d.brand_id = any(x.brands)
  )
)::float8`

export const accountVersions = (ids: readonly number[]) =>
  rows<{ id: number; version: number }>(
    `select a.id, ${versionSql} version
    from account a
    ${statedBrands}
    where a.id = any($ids::int[])
    order by a.id`,
    { ids },
  )

export const accountRows = (ids: readonly number[], day: Day) =>
  rows<SubjectRow>(
    `select a.id "sourceId", null::int "creditsId", null::int "replacesId", null "wantedDate", '' number,
      $day::date::text "date", null "suppliedOn", a.currency, false "pricesIncludeTax", null reference,
      null "customerNote", null::jsonb delivery, '{}'::jsonb fields, c.fields "customerFields", c.salesperson,
      '0' prepaid, '[]'::jsonb adjustments, a.brand_id "brandId", null::int "branchId", ${versionSql} version,
      1 revision, '0' total, c.id "customerId", c.number "customerNumber", c.name "customerName",
      c.tax_number "taxNumber", c.terms, c.language "customerLanguage", c.billing,
      preferences_for(c, a.id, $kinds::text[]) preferences, c.version "customerVersion", 'domestic' treatment
    from account a
    ${statedBrands}
    join customer c on c.id = a.customer_id
    where a.id = any($ids::int[])`,
    { ids, day, kinds: kindsOf('account') },
  )

/** What was booked before a day, and until another. */
export const balancesOf = (ids: readonly number[], from: Day, until: Day, together: boolean) =>
  rows<{ accountId: number; opening: string; balance: string }>(
    `select a.id "accountId", coalesce(sum(e.amount) filter (where e.day < $from::date), 0)::text opening,
      coalesce(sum(e.amount), 0)::text balance
    from account a
    ${statedBrands}
    left join ledger_entry e
      on e.customer_id = a.customer_id and e.brand_id = any(${brandsTold}) and e.currency = a.currency
      and e.day <= $until::date
    where a.id = any($ids::int[])
    group by a.id`,
    { ids, from, until, together },
  )

/** What was booked from one day to another, documents of a day before what settles them. */
export const entriesOf = (ids: readonly number[], from: Day, until: Day, together: boolean) =>
  rows<LedgerEntry & { accountId: number }>(
    `select a.id "accountId", e.kind, e.number, e.day::text "day", e.due_date::text "dueDate",
      e.amount::text amount, e.document_id "documentId", ${otherBrand} brand
    from account a
    ${statedBrands}
    join ledger_entry e
      on e.customer_id = a.customer_id and e.brand_id = any(${brandsTold}) and e.currency = a.currency
    join brand b on b.id = e.brand_id
    where a.id = any($ids::int[]) and e.day between $from::date and $until::date
    order by a.id, e.day, e.due_date is null, e.document_id, e.payment_id`,
    { ids, from, until, together },
  )

/**
 * What is open at the end of a day: documents by due date, then money that settles nothing yet; a payment with its
 * counter-entry is one.
 */
export const openOn = (ids: readonly number[], until: Day, together: boolean) =>
  rows<OpenEntry & { accountId: number }>(
    `with
      open_document as (
        select a.id account_id, d.kind, d.number, d.date as day, i.due_date, i.amount,
          i.amount + coalesce(s.sum, 0) open, i.dispute <> '' disputed, i.promised_on, d.id place, d.brand_id
        from account a
        ${statedBrands}
        join open_item i on i.customer_id = a.customer_id and i.currency = a.currency
        join document d on d.id = i.document_id and d.brand_id = any(${brandsTold}) and d.date <= $until::date
        left join lateral (
          select sum(s.amount) from settled s where s.document_id = d.id and s.day <= $until::date
        ) s on true
        where a.id = any($ids::int[])
          and not exists (select from document_void v where v.document_id = d.id)
      ),
      open_payment as (
        select a.id account_id, case min(p.direction) when 'in' then 'payment' else 'refund' end kind,
          min(p.reference) filter (where p.reverses_id is null) number, min(p.date) as day, null::date due_date,
          sum(case p.direction when 'in' then -p.amount else p.amount end) amount,
          sum(case p.direction when 'in' then -p.amount else p.amount end + coalesce(s.sum, 0)) open,
          false disputed, null::date promised_on, coalesce(p.reverses_id, p.id) place, min(p.brand_id) brand_id
        from account a
        ${statedBrands}
        join payment p
          on p.customer_id = a.customer_id and p.currency = a.currency and p.brand_id = any(${brandsTold})
          and p.date <= $until::date
        left join lateral (
          select sum(s.amount) from settled s where s.payment_id = p.id and s.day <= $until::date
        ) s on true
        where a.id = any($ids::int[])
        group by a.id, coalesce(p.reverses_id, p.id)
      ),
      everything as (
        select * from open_document
        union all
        select * from open_payment
      )
    select account_id "accountId", kind, case when due_date is not null then place end "documentId",
      coalesce(number, '') number, day::text "day", due_date::text "dueDate",
      amount::text amount, open::text open, disputed, promised_on::text "promisedOn", ${otherBrand} brand
    from everything
    join account a on a.id = account_id
    join brand b on b.id = everything.brand_id
    where open <> 0
    order by account_id, due_date nulls last, day, place`,
    { ids, until, together },
  )

/** Accounts whose books another one tells of, by the brand of that one. */
export const statedElsewhere = (ids: readonly number[]) =>
  rows<{ accountId: number; brand: string }>(
    `select distinct s.account_id "accountId", b.name brand
    from account_stated s
    join account a on a.id = s.leads
    join brand b on b.id = a.brand_id
    where s.account_id = any($ids::int[]) and s.leads <> s.account_id`,
    { ids },
  )

/** Which statement is meant of an account whose statement was put back, the newest first. */
export const occasionsWaiting = (ids: readonly number[], kind: DocumentKind) =>
  rows<{ accountId: number; occasion: string }>(
    `select distinct on (source_id) source_id "accountId", occasion
    from prepared_document
    where source_id = any($ids::int[]) and kind = $kind and state in ('due', 'put back')
    order by source_id, id desc`,
    { ids, kind },
  )

/** Accounts of customers in a currency, one a brand, made where something was booked and none was there. */
export const makeAccounts = (customerIds: readonly number[]) =>
  run(
    `insert into account (customer_id, brand_id, currency, label)
    select distinct e.customer_id, e.brand_id, e.currency, c.number
    from ledger_entry e
    join customer c on c.id = e.customer_id
    where e.customer_id = any($customerIds::int[])
      and not exists (
        select
        from account a
        where a.customer_id = e.customer_id and a.brand_id = e.brand_id and a.currency = e.currency
      )
    order by 1, 2, 3`,
    { customerIds },
  )

/** Customers of whom something was booked and who have no account of it yet. */
export const customersWithoutAccount = () =>
  rows<{ customerId: number }>(
    `select distinct b.customer_id "customerId"
    from (
      select d.customer_id, d.brand_id, d.currency
      from open_item i
      join document d on d.id = i.document_id
      group by 1, 2, 3
      union
      select customer_id, brand_id, currency
      from payment
      group by 1, 2, 3
    ) b
    where not exists (
      select
      from account a
      where a.customer_id = b.customer_id and a.brand_id = b.brand_id and a.currency = b.currency
    )`,
  )

/** What routines may ask of accounts, in the order of their ids. */
export const accountsAfter = (after: number, count: number, who: Principal) =>
  rows<AccountAsked>(
    `select a.id, a.customer_id "customerId", a.currency, b.code brand, c.number customer, c.name,
      c.language "customerLanguage", coalesce(c.group_name, '') "group",
      coalesce(c.billing ->> 'country', '') country, c.salesperson, c.fields
    from account a
    join customer c on c.id = a.customer_id
    join brand b on b.id = a.brand_id
    where a.id > $after and ${within(who, 'a.brand_id')}
    order by a.id
    limit $count`,
    { after, count },
  )

export const occasionsTaken = (ids: readonly number[], kind: DocumentKind, occasion: string) =>
  rows<{ id: number }>(
    `select source_id id
    from claim
    where source_id = any($ids::int[]) and document_kind = $kind and occasion = $occasion`,
    { ids, kind, occasion },
  )

/** One at a time makes accounts: the row of a source that would lose to another would be left behind. */
export const lockAccounts = () => run('lock table account in share row exclusive mode')
