import { byWorker } from '../../db/by-worker'
import { one, run, rows } from '../../db/connection'
import type { HouseSettings } from './settings'

/* The statements of settings.ts. */

export const settingsRow = () =>
  one<HouseSettings>(
    `select failure_notice_to "failureNoticeTo", presume_seconds "presumeSeconds",
      undo_minutes "undoMinutes", rehearsal_address "rehearsalAddress", zero_totals "zeroTotals",
      withdrawn_statuses "withdrawnStatuses", held_statuses "heldStatuses", withdrawn_rule "withdrawnRule",
      document_dates "documentDates", small_difference::text "smallDifference",
      public_address "publicAddress", link_days "linkDays", too_large "tooLarge", postage::text postage,
      count_opens "countOpens", editable_files "editableFiles",
      reminders, statements_together "statementsTogether", morning, digest,
      holiday_region "holidayRegion", boxes,
      service_rules "serviceRules", label_printing "labelPrinting", gs1_prefix "gs1Prefix", slip_shows "slipShows",
      second_look "secondLook"
    from company`,
  )

/** Whoever begins to read what went reads of what goes from now on. */
export const digestFromNow = (now: Date) =>
  run('update company set digest_until = $now where digest is null', { now })

/** An email of the morning that is only now asked for does not come in the afternoon. */
export const morningFromTomorrow = (now: Date) =>
  run(
    `update company
    set morning_sent = coalesce(morning_sent, ($now::timestamptz at time zone time_zone)::date)`,
    { now },
  )

export const pauseHouse = (given: { now: Date; actor: string; reason: string }) =>
  run(
    'update company set paused_at = $now, paused_by = $actor, pause_reason = $reason where paused_at is null',
    given,
  )

export const resumeHouse = () =>
  run(`update company set paused_at = null, paused_by = null, pause_reason = '' where paused_at is not null`)

export const openRuns = () => rows<{ id: number }>('select id from send_run where ended_at is null')

export const dispatchesDue = (now: Date) =>
  rows<{ id: number }>(
    `select id
    from dispatch
    where state = 'waiting'
      and ${byWorker('channel')}
      and ready
      and not held
      and gather_key is null
      and next_try_at <= $now
    order by next_try_at
    limit 2000`,
    { now },
  )

export const beginRehearsal = (now: Date, actor: string) =>
  run(
    `update company
    set rehearsal_since = coalesce(rehearsal_since, $now), rehearsal_by = coalesce(rehearsal_by, $actor)`,
    { now, actor },
  )

export const stopRehearsal = () => run('update company set rehearsal_since = null, rehearsal_by = null')

/** How many people could send: clerks and supervisors who can sign in. */
export const peopleWhoSend = () =>
  one<{ count: number }>(
    `select count(*)::int count from staff where role in ('clerk', 'supervisor') and left_at is null`,
  )
