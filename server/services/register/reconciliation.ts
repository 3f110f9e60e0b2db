import { scopeWords } from '../../../core/numbering/series'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Day } from '../../../core/documents/days'
import { stuckWords, type StuckCause } from '../../../core/dispatch/states'
import { rows } from '../../db/connection'
import { company } from '../house/house'
import { theHouse, within, type Principal } from '../people/principal'

/*
 * The proof of a day: issued = numbered = painted = sent or printed = arrived, by count and sum for every
 * series; posted = open + paid + credited; and every
 * document that is a difference, with why. Called from the Proof page. Reads only.
 */

interface CountAndSum {
  count: number
  sum: string
}

/** A series' documents of one day in one currency, and how far they came. */
export interface ProvedSeries {
  /** Unique in the list. */
  id: number
  seriesId: number
  kind: DocumentKind
  brand: string
  scope: string
  currency: string
  first: string
  last: string
  issued: CountAndSum
  numbered: CountAndSum
  painted: CountAndSum
  left: CountAndSum
  arrived: CountAndSum
}

export interface Difference {
  id: number
  number: string
  kind: DocumentKind
  customerName: string
  total: string
  currency: string
  step: 'numbered' | 'painted' | 'sent' | 'arrived' | 'posted'
  words: string
}

/** What was posted that day against what became of it since: the difference is nothing, or a fault. */
export interface ProvedPosting {
  currency: string
  posted: string
  open: string
  paid: string
  credited: string
  voided: string
  difference: string
}

export interface Reconciliation {
  day: Day
  series: ProvedSeries[]
  postings: ProvedPosting[]
  differences: Difference[]
  more: boolean
}

const mostDifferences = 500

/** Documents issued on a day of the house's zone, each with the steps it has taken. The zone is $2. */
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
      where d.issued_at >= ($1::date::timestamp at time zone $2)
        and d.issued_at < (($1::date + 1)::timestamp at time zone $2)
        and ${within(who, 'd.brand_id')}
    )
  `

const both = (name: string, condition: string) =>
  `jsonb_build_object(
    'count', count(*) filter (where ${condition}),
    'sum', coalesce(sum(x.total) filter (where ${condition}), 0)::text
  ) ${name}`

export async function reconciliationOf(day: Day, who = theHouse): Promise<Reconciliation> {
  const documents = documentsOf(who)
  const { timeZone } = await company()
  const series = await rows<Omit<ProvedSeries, 'id' | 'scope'> & { country: string; ofCurrency: string }>(
    `${documents}
    select x.series_id "seriesId", x.kind, b.name brand, s.country, s.currency "ofCurrency", x.currency,
      (array_agg(x.number order by x.counter))[1] first,
      (array_agg(x.number order by x.counter desc))[1] last, ${both('issued', 'true')},
      ${both('numbered', 'not x.double')}, ${both('painted', 'x.painted')},
      ${both('"left"', 'x.gone or x.voided')}, ${both('arrived', 'x.came or x.voided')}
    from day x
    join number_series s on s.id = x.series_id
    join brand b on b.id = s.brand_id
    group by x.series_id, x.kind, b.name, b.id, s.country, s.currency, x.currency
    order by x.kind <> 'invoice', x.kind, b.id, x.currency`,
    [day, timeZone],
  )
  const postings = await rows<ProvedPosting>(
    `${documents}
    select currency, sum(amount)::text posted, sum(open)::text open, sum(paid)::text paid,
      sum(credited)::text credited, sum(voided)::text voided,
      sum(amount - open - paid - credited - voided)::text difference
    from (${posting}) p
    group by 1
    order by 1`,
    [day, timeZone],
  )
  const found = await rows<DifferenceRow>(
    `${documents}, posted as (${posting})
    select x.id, x.number, x.kind, x.customer_name "customerName", x.total::text total, x.currency, x.double,
      x.painted, x.unsent, x.state, x.stuck_cause "stuckCause", x.channel, x.gone, x.came,
      p.amount is not null and p.amount <> p.open + p.paid + p.credited + p.voided "unbalanced"
    from day x
    left join posted p on p.id = x.id
    where not x.voided and (x.double or not x.painted or not x.came)
      or p.amount <> p.open + p.paid + p.credited + p.voided
    order by x.series_id, x.counter
    limit ${mostDifferences + 1}`,
    [day, timeZone],
  )
  return {
    day,
    series: series.map(({ country, ofCurrency, ...one }, id) => ({
      id,
      ...one,
      scope: scopeWords({ country, currency: ofCurrency }),
    })),
    postings,
    differences: found.slice(0, mostDifferences).map(differenceOf),
    more: found.length > mostDifferences,
  }
}

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

interface DifferenceRow extends Omit<Difference, 'step' | 'words'> {
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

function differenceOf({
  double,
  painted,
  unsent,
  state,
  stuckCause,
  channel,
  gone,
  came,
  unbalanced,
  ...document
}: DifferenceRow): Difference {
  const one = (step: Difference['step'], words: string): Difference => ({ ...document, step, words })
  if (unbalanced)
    return one(
      'posted',
      'What is open, paid and credited does not add up to what was posted. Tell who looks after Clothespin.',
    )
  if (double) return one('numbered', 'Its number stands twice. Tell who looks after Clothespin.')
  if (!painted) return one('painted', 'Its PDF is not made yet.')
  if (!gone)
    return one(
      'sent',
      unsent
        ? `${kindFacts[document.kind].one.replace(/^./, (first) => first.toUpperCase())} that was issued ` +
            'and not sent: it hangs on To send.'
        : state === 'stuck'
          ? `Stuck: ${stuckWords[stuckCause!].label}.`
          : channel === 'paper'
            ? 'Waits for the printer.'
            : state === 'closed'
              ? 'Closed: nothing was sent.'
              : 'Waits to go.',
    )
  return came ? one('arrived', '') : one('arrived', 'On the way: not heard of yet.')
}
