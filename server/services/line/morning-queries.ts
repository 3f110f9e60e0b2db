import type { Day } from '../../../core/documents/days'
import type { MorningRule } from '../../../core/line/morning'
import { one, rows, run } from '../../db/connection'

/* The statements of morning.ts. */

export const morningRule = () =>
  one<{ morning: MorningRule | null; morningSent: Day | null }>(
    'select morning, morning_sent::text "morningSent" from company',
  )

/** The email of the day went, or none is due on it. */
export const keepMorning = (day: Day) => run('update company set morning_sent = $day::date', { day })

export interface MorningCounts {
  sent: number
  printed: number
  waitingLong: number
}

export const morningCounts = (since: Date, now: Date) =>
  one<MorningCounts>(
    `select
      (
        select count(*)::int
        from dispatch
        where channel = 'email' and handed_over_at >= $since and handed_over_at < $now
      ) sent,
      (
        select count(*)::int
        from dispatch
        where channel = 'paper' and state = 'arrived' and arrived_at >= $since and arrived_at < $now
      ) printed,
      (
        select count(*)::int
        from dispatch
        where state = 'waiting' and channel = 'email' and not held
          and greatest(since, not_before) < $now::timestamptz - interval '1 hour'
      ) "waitingLong"`,
    { since, now },
  )

/** Routines that are on for thirty days and made nothing in them. */
export const silentRoutines = (now: Date) =>
  rows<{ name: string }>(
    `select r.name
    from routine r
    where r.is_on and r.applies_since < $now::timestamptz - interval '30 days'
      and not exists (
        select
        from evaluation v
        where v.routine_id = r.id and v.at > $now::timestamptz - interval '30 days'
          and v.outcome not in ('did not apply', 'not wanted')
      )
    order by r.name`,
    { now },
  )

export const promisedFor = (day: Day) =>
  rows<{ customer: string; number: string; open: string; currency: string }>(
    `select c.name customer, d.number, i.open::text open, i.currency
    from open_item i
    join document d on d.id = i.document_id
    join customer c on c.id = i.customer_id
    where i.promised_on = $day::date and i.open > 0
    order by c.name, d.number
    limit 30`,
    { day },
  )

export const turnsUntil = (now: Date, until: Date) =>
  rows<{ name: string; at: Date }>(
    `select name, next_turn "at"
    from routine
    where is_on and next_turn >= $now and next_turn < $until
    order by next_turn, name`,
    { now, until },
  )
