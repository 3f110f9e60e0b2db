import { provokedDomain } from '../../../core/dispatch/provoked'
import type { Day } from '../../../core/documents/days'
import { one, rows } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'

/* The statements of figures.ts. */

export interface FigureSpan {
  /** First and last day, in the house's zone. */
  from: Day
  to: Day
  timeZone: string
}

/** How many there are of what was made on a day, by how they stand now. */
export interface DayFigures {
  day: Day
  arrived: number
  onTheWay: number
  waiting: number
  stuck: number
  closed: number
}

/** What was provoked is no sending. */
const inSpan = `s.created_at >= ($from::date::timestamp at time zone $timeZone)
      and s.created_at < (($to::date + 1)::timestamp at time zone $timeZone)
      and s.send_to not like '%@${provokedDomain}'`

export const figuresByDay = (who: Principal, span: FigureSpan) =>
  rows<DayFigures>(
    `select to_char(s.created_at at time zone $timeZone, 'YYYY-MM-DD') "day",
      count(*) filter (where s.state = 'arrived')::int arrived,
      count(*) filter (where s.state = 'on the way')::int "onTheWay",
      count(*) filter (where s.state in ('waiting', 'claimed', 'handing over'))::int waiting,
      count(*) filter (where s.state = 'stuck')::int stuck,
      count(*) filter (where s.state = 'closed')::int closed
    from dispatch s
    where ${inSpan} and ${within(who, 's.brand_id')}
    group by 1
    order by 1`,
    { ...span },
  )

export interface DomainFigures {
  domain: string
  /** Recipients that were written to. */
  written: number
  /** Those that refused, or from whom it came back. */
  failed: number
}

/** The domains that are written to most. */
export const figuresByDomain = (who: Principal, span: FigureSpan & { most: number }) =>
  rows<DomainFigures>(
    `select split_part(r.address, '@', 2) domain, count(*)::int written,
      count(*) filter (where r.outcome in ('refused', 'bounced'))::int failed
    from dispatch s
    join dispatch_recipient r on r.dispatch_id = s.id
    where ${inSpan} and ${within(who, 's.brand_id')}
    group by 1
    order by failed desc, written desc, domain
    limit $most`,
    { ...span },
  )

export interface WholeFigures {
  /** Emails that were handed over. */
  emails: number
  letters: number
  /** Seconds from issue until the mail server had it: of the middle one, and of nine in ten. */
  middle: number | null
  nineInTen: number | null
  /** Emails that somebody opened, as far as they say so. */
  opened: number
  /** Emails with an offer that is counted, and those whose offer somebody followed. */
  offers: number
  followed: number
}

export const figuresInAll = (who: Principal, span: FigureSpan) =>
  one<WholeFigures>(
    `with sent as (
      select s.id, s.channel, s.state, s.handed_over_at,
        extract(epoch from s.handed_over_at - d.issued_at)::float8 seconds
      from dispatch s
      join lateral (select min(x.document_id) id from dispatch_document x where x.dispatch_id = s.id) first on true
      join document d on d.id = first.id
      where ${inSpan} and ${within(who, 's.brand_id')} and not s.is_copy
    )
    select count(*) filter (where channel = 'email' and handed_over_at is not null)::int emails,
      count(*) filter (where channel = 'paper' and state = 'arrived')::int letters,
      percentile_cont(0.5) within group (order by seconds) filter (where channel = 'email') "middle",
      percentile_cont(0.9) within group (order by seconds) filter (where channel = 'email') "nineInTen",
      count(*) filter (where exists (select from email_open o where o.dispatch_id = sent.id and o.opened > 0))::int
        opened,
      count(*) filter (where exists (select from followed_offer f where f.dispatch_id = sent.id))::int offers,
      count(*) filter (
        where exists (select from followed_offer f where f.dispatch_id = sent.id and f.followed > 0)
      )::int followed
    from sent`,
    { ...span },
  )
