import { byWorker } from '../../db/by-worker'
import type { Day } from '../../../core/documents/days'
import { pauses } from '../../../core/house/pauses'
import { one, run, rows, json } from '../../db/connection'
import type { Gate } from './gate'
import type { Confirmation } from './installation'
import type { PeriodClose, Periods } from './periods'
import type { RateRow } from './rates'

/* The statements of house that have no file of their own. */

/** Nothing leaves a house that has no company yet. */
const notBegun: Gate = {
  paused: true,
  pausedBy: null,
  pausedAt: null,
  pauseReason: pauses.notSetUp,
  confirmNeeded: false,
  rehearsalSince: null,
  rehearsalAddress: '',
}

/** Reads the gate; `lock` keeps it as it is until the caller's transaction ends. */
export async function gate(lock = false): Promise<Gate> {
  const row = await one<Gate>(`
    select paused_at is not null paused, paused_by "pausedBy", paused_at "pausedAt",
      pause_reason "pauseReason", confirm_needed "confirmNeeded", rehearsal_since "rehearsalSince",
      rehearsal_address "rehearsalAddress"
    from company${lock ? ' for share' : ''}`)
  return row ?? notBegun
}

/** What is counted to say how the house stands. */
export interface StateCounts {
  lastBeat: Date | null
  oldest: Date | null
  away: number
  awayWords: string | null
  /** Emails whose mail account takes no more of them within the hour, and its name. */
  paced: number
  pacedBy: string | null
  /** The mail account whose server's certificate ends first, and when. */
  certificateOf: string | null
  certificateUntil: Date | null
  /** A carrier that does not answer, since when, and the labels that wait for it. */
  carrierDown: { name: string; since: string; waiting: number } | null
}

export const stateCounts = (before: Date) =>
  one<StateCounts>(
    `select (select max(beat_at) from worker) "lastBeat",
    least(
      (
        select min(next_try_at)
        from dispatch
        where state = 'waiting' and ${byWorker('channel')} and ready and not held and next_try_at < $before
      ),
      (select min(at) from event where looked_at is null and at < $before)
    ) oldest,
    (select count(*)::int from dispatch where state = 'waiting' and away) away,
    (select last_reply from dispatch where state = 'waiting' and away limit 1) "awayWords",
    (
      select count(*)::int from dispatch where state = 'waiting' and slot_at > $before::timestamptz + interval '1 hour'
    ) paced,
    (
      select a.name
      from mail_slot m
      join mail_account a on a.id = m.mail_account_id
      where m.minute > $before::timestamptz + interval '1 hour'
      order by m.minute desc
      limit 1
    ) "pacedBy",
    (
      select jsonb_build_object('name', c.name, 'since', c.down_since, 'waiting', (
        select count(*) from label l where l.carrier_id = c.id and l.state in ('asked', 'booking', 'unclear')
      ))
      from carrier c
      where c.down_since is not null
      order by c.down_since
      limit 1
    ) "carrierDown",
    (select min(certificate_until) from mail_account) "certificateUntil",
    (select name from mail_account order by certificate_until nulls last limit 1) "certificateOf"`,
    { before },
  )

export const ping = () => one('select 1 as one')

export const identityRow = () =>
  one<{ installation: string; cluster: string; database: string }>(
    `select c.installation_id installation, (select system_identifier::text from pg_control_system()) cluster,
      (select oid::text from pg_database where datname = current_database()) "database"
    from company c`,
  )

export const closeGate = (now: Date) =>
  run(
    `update company
    set confirm_needed = true, paused_at = coalesce(paused_at, $now),
      paused_by = coalesce(paused_by, 'Clothespin'),
      pause_reason = case when pause_reason = '' then $why else pause_reason end`,
    { now, why: pauses.copied },
  )

export const confirmationCounts = () =>
  one<{
    needed: boolean
    papers: number
    emails: number
  }>(
    `
    select confirm_needed needed,
      (select count(*)::int from prepared_document where state = 'prepared' and automatic) papers,
      (select count(*)::int from dispatch where state = 'waiting' and ${byWorker('channel')} and not held) emails
    from company`,
  )

export const lastNumbers = () =>
  rows<Confirmation['series'][number]>(
    `
    select distinct on (d.series_id, d.period) b.name brand, d.kind, d.period, d.number last,
      d.issued_at "issuedAt"
    from document d
    join brand b on b.id = d.brand_id
    order by d.series_id, d.period desc, d.counter desc`,
  )

export const openAfterConfirming = (id: `${string}-${string}-${string}-${string}-${string}`, actor: string) =>
  run(
    `update company
    set confirm_needed = false, installation_id = $id, paused_by = $actor,
      pause_reason = $why
    where confirm_needed`,
    { id, actor, why: pauses.confirmed },
  )

export const recentCloses = () =>
  rows<PeriodClose>(
    `select closed_until::text "closedUntil", was_until::text "wasUntil", at, by, reason
    from period_close
    order by id desc
    limit 60`,
  )

export const waitingForPeriod = (closedUntil: string | null) =>
  rows<Periods['waiting'][number]>(
    `select id "preparedId", kind || ' for ' || customer_name label, wanted_date::text date
    from prepared_document
    where state in ('prepared', 'put back') and wanted_date <= $closedUntil::date
    order by wanted_date
    limit 50`,
    { closedUntil },
  )

export const lockClosedUntilForUpdate = () =>
  one<{ closedUntil: Day | null }>('select closed_until::text "closedUntil" from company for update')

export const setClosedUntil = (until: string | null) =>
  run('update company set closed_until = $until', { until })

export const newestRates = (today: string) =>
  rows<RateRow>(
    `select currency, day::text "day", rate::text rate, source
    from exchange_rate
    where day <= $today::date
    order by day desc, currency
    limit 60`,
    { today },
  )

export const lockRates = (given: readonly RateRow[]) =>
  rows<RateRow>(
    `select r.currency, r.day::text "day", r.rate::text rate, r.source
    from exchange_rate r
    join jsonb_to_recordset($given::jsonb) as g (currency text, day date)
      on g.currency = r.currency
      and g.day = r.day
    for update of r`,
    { given: json(given) },
  )

export const upsertRates = (table: readonly RateRow[]) =>
  run(
    `insert into exchange_rate (currency, day, rate, source)
    select currency, day, rate, source
    from jsonb_to_recordset($table::jsonb) as g (currency text, day date, rate numeric, source text)
    on conflict (currency, day) do update
    set rate = excluded.rate, source = excluded.source`,
    { table: json(table) },
  )

export const begunRow = () =>
  one<{ staff: boolean; company: boolean; brand: boolean }>(
    `select exists (select from staff) staff, exists (select from company) company,
      exists (select from brand) brand`,
  )
