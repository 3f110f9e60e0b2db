import type { TakenOver } from '../../../core/receivables/trial-balance'
import type { DocumentKind } from '../../../core/documents/kinds'
import { one, rows } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { TakenOverRow } from './take-over'

/* The statements of take-over.ts. */

export const documentsNumbered = (numbers: readonly string[]) =>
  rows<{
    kind: DocumentKind
    number: string
    takenOver: boolean
    voided: boolean
    customerId: number
    owed: string
  }>(
    `select d.kind, d.number, d.series_id is null "takenOver", d.customer_id "customerId",
      coalesce(i.amount, 0)::text owed,
      exists (select from document_void v where v.document_id = d.id) voided
    from document d
    left join open_item i on i.document_id = d.id
    where d.number = any($numbers::text[])`,
    { numbers },
  )

/** Payments that came over are known by their key. */
export const onAccountKey = (number: string) => `taken over ${number}`

const paymentCameOver = `p.external_key like 'taken over %'`

/** What came over, as it was then: what was paid since does not count. */
export const takenOverSums = (who: Principal) =>
  rows<TakenOver>(
    `select currency,
      jsonb_build_object(
        'count', count(*) filter (where kind = 'invoice'),
        'sum', coalesce(sum(amount) filter (where kind = 'invoice'), 0)::text
      ) invoices,
      jsonb_build_object(
        'count', count(*) filter (where kind = 'credit note'),
        'sum', coalesce(sum(amount) filter (where kind = 'credit note'), 0)::text
      ) credits,
      jsonb_build_object(
        'count', count(*) filter (where kind = 'payment'),
        'sum', coalesce(sum(amount) filter (where kind = 'payment'), 0)::text
      ) "onAccount"
    from (
      select d.kind, d.currency, i.amount
      from document d
      join open_item i on i.document_id = d.id
      where d.series_id is null and ${within(who, 'd.brand_id')}
        and not exists (select from document_void v where v.document_id = d.id)
      union all
      select 'payment', p.currency, -p.amount
      from payment p
      where ${paymentCameOver} and ${within(who, 'p.brand_id')}
        and not exists (select from payment r where r.reverses_id = p.id)
    ) x
    group by currency
    order by currency`,
  )

/** What came over, customer by customer, to lay beside the earlier program's list. */
export const takenOverByCustomer = (who: Principal) =>
  rows<TakenOverRow>(
    `select c.id, c.number, c.name, x.currency, count(*)::int count, sum(x.amount)::text sum
    from (
      select d.customer_id, d.currency, i.amount
      from document d
      join open_item i on i.document_id = d.id
      where d.series_id is null and ${within(who, 'd.brand_id')}
        and not exists (select from document_void v where v.document_id = d.id)
      union all
      select p.customer_id, p.currency, -p.amount
      from payment p
      where ${paymentCameOver} and ${within(who, 'p.brand_id')}
        and not exists (select from payment r where r.reverses_id = p.id)
    ) x
    join customer c on c.id = x.customer_id
    group by c.id, x.currency
    order by c.number, x.currency`,
  )

/** Documents that came over, by their numbers, with whether their PDF is here. */
export const takenOverDocuments = (who: Principal) =>
  rows<{ id: number; number: string; hasFile: boolean }>(
    `select d.id, d.number, f.document_id is not null "hasFile"
    from document d
    left join document_file f on f.document_id = d.id
    where d.series_id is null and ${within(who, 'd.brand_id')}`,
  )

export const firstBrand = () =>
  one<{ id: number; code: string }>('select id, code from brand where retired_at is null order by id limit 1')
