import { type Principal } from '../people/principal'
import { within } from '../people/brand-queries'
import type { StuckCause } from '../../../core/dispatch/states'
import { rows } from '../../db/connection'
import type { Difference, ProvedSeries, ProvedPosting } from './reconciliation'

/* The statements of reconciliation.ts. */

export const mostDifferences = 500

const both = (name: string, condition: string) => `jsonb_build_object(
    'count', count(*) filter (where ${condition}),
    'sum', coalesce(sum(x.total) filter (where ${condition}), 0)::text
  ) ${name}`

/**
 * What is owed of a day's postings: as posted, open now, taken off by payments (with discounts and what was
 * waived) and by credits. Credit notes count below zero.
 */
const posting = `
  select x.id, x.currency, i.amount, i.open, case when x.voided then i.amount else 0 end voided,
    coalesce(
      (select sum(a.amount) from allocation a where a.to_document_id = x.id and a.kind <> 'credit'), 0
    ) * case when i.amount < 0 then -1 else 1 end paid,
    case
      when x.voided then 0
      else coalesce(
          (select sum(a.amount) from allocation a where a.to_document_id = x.id and a.kind = 'credit'), 0
        ) - coalesce((select sum(a.amount) from allocation a where a.from_document_id = x.id), 0)
    end credited
  from day x
  join open_item i on i.document_id = x.id`

export interface DifferenceRow extends Omit<Difference, 'step' | 'words'> {
  double: boolean
  painted: boolean
  unsent: boolean
  state: string | null
  stuckCause: StuckCause | null
  channel: string | null
  gone: boolean
  came: boolean
  unbalanced: boolean
}

/** Documents issued on a day of the house's zone, each with the steps it has taken. The zone is $timeZone. */
const documentsOf = (who: Principal) => `
  with
    day as (
      select d.id, d.number, d.kind, d.series_id, d.counter, d.period, d.currency, d.total, d.customer_name,
        d.to_pay, count(*) over (partition by d.series_id, d.period, d.counter) > 1 double,
        f.document_id is not null painted, v.document_id is not null voided, u.document_id is not null unsent,
        s.state, s.stuck_cause, s.channel, coalesce(s.state in ('on the way', 'arrived'), false) gone,
        coalesce(s.state = 'arrived', false) came
      from document d
      left join document_file f on f.document_id = d.id
      left join document_void v on v.document_id = d.id
      left join undelivered u on u.document_id = d.id
      left join lateral (
        select x.state, x.stuck_cause, x.channel
        from dispatch x
        join dispatch_document dd on dd.dispatch_id = x.id
        where dd.document_id = d.id and not x.is_copy
        order by x.state in ('arrived', 'on the way') desc, x.id desc
        limit 1
      ) s
        on true
      where d.issued_at >= ($day::date::timestamp at time zone $timeZone)
        and d.issued_at < (($day::date + 1)::timestamp at time zone $timeZone)
        and d.series_id is not null
        and ${within(who, 'd.brand_id')}
    )
  `

export const seriesOfDay = (who: Principal, day: string, timeZone: string) =>
  rows<Omit<ProvedSeries, 'id' | 'scope'> & { country: string; ofCurrency: string; branch: string }>(
    `${documentsOf(who)}
    select x.series_id "seriesId", x.kind, b.name brand, s.country, s.currency "ofCurrency", x.currency,
      coalesce((select name from branch where branch.id = s.branch_id), '') branch,
      (array_agg(x.number order by x.counter))[1] first,
      (array_agg(x.number order by x.counter desc))[1] last, ${both('issued', 'true')},
      ${both('numbered', 'not x.double')}, ${both('painted', 'x.painted')},
      ${both('"left"', 'x.gone or x.voided')}, ${both('arrived', 'x.came or x.voided')}
    from day x
    join number_series s on s.id = x.series_id
    join brand b on b.id = s.brand_id
    group by x.series_id, x.kind, b.name, b.id, s.country, s.currency, s.branch_id, x.currency
    order by x.kind <> 'invoice', x.kind, b.id, x.currency`,
    { day, timeZone },
  )

export const postingOfDay = (who: Principal, day: string, timeZone: string) =>
  rows<ProvedPosting>(
    `${documentsOf(who)}
    select currency, sum(amount)::text posted, sum(open)::text open, sum(paid)::text paid,
      sum(credited)::text credited, sum(voided)::text voided,
      sum(amount - open - paid - credited - voided)::text difference
    from (${posting}) p
    group by 1
    order by 1`,
    { day, timeZone },
  )

export const differencesOfDay = (who: Principal, day: string, timeZone: string) =>
  rows<DifferenceRow>(
    `${documentsOf(who)}, posted as (${posting})
    select x.id, x.number, x.kind, x.customer_name "customerName", x.total::text total, x.currency, x.double,
      x.painted, x.unsent, x.state, x.stuck_cause "stuckCause", x.channel, x.gone, x.came,
      p.amount is not null and p.amount <> p.open + p.paid + p.credited + p.voided "unbalanced"
    from day x
    left join posted p on p.id = x.id
    where not x.voided and (x.double or not x.painted or not x.came)
      or p.amount <> p.open + p.paid + p.credited + p.voided
    order by x.series_id, x.counter
    limit ${mostDifferences + 1}`,
    { day, timeZone },
  )
