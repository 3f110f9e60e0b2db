import { rows } from '../../db/connection'
import type { RunHeader, RunLine, RunPart, RunProblem } from './runs'
import { keyset, type Sort } from '../keyset'
import { type Principal } from '../people/principal'
import { runsWithin } from '../people/brand-queries'

/* The statements of runs that have no file of their own. */

/**
 * SQL of one run's documents: what became of each prepared document, in exactly one part. A document in two
 * channels counts by the less finished.
 */
const linesOfRun = `
  select r.run_id, r.prepared_id, r.outcome, r.reason, p.order_number, p.order_date, p.customer_name, p.kind,
    d.id document_id, d.number, coalesce(d.total, p.total) total, p.currency, s.ids, s.emails, s.prints,
    case
      when r.outcome is null then 'open'
      when r.outcome <> 'issued' then r.outcome
      when s.stuck then 'stuck'
      when s.waiting then 'waiting'
      when s.emailed then 'emailed'
      when s.printed then 'printed'
      else 'not sent'
    end part
  from send_run_document r
  join prepared_document p on p.id = r.prepared_id
  left join document d on d.id = r.document_id
  left join lateral (
    select array_agg(s.id) ids, array_agg(s.id) filter (where s.channel = 'email') emails,
      array_agg(s.id) filter (where s.channel = 'paper') prints,
      bool_or(s.state = 'stuck') stuck, bool_or(s.state in ('waiting', 'claimed', 'handing over')) waiting,
      bool_or(s.channel = 'email' and s.state in ('on the way', 'arrived')) emailed,
      bool_or(s.channel = 'paper' and s.state = 'arrived') printed
    from dispatch_document dd join dispatch s on s.id = dd.dispatch_id
    where dd.document_id = d.id and not s.is_copy and s.state <> 'closed'
  ) s on true
  where r.run_id = $1`

const header = `
  r.id, r.started_at "startedAt", r.goes_at "goesAt", r.ended_at "endedAt", r.taken_back_by "takenBackBy",
  r.stopped_by "stoppedBy", r.started_by "startedBy", r.post_only "postOnly"`

const counts = `
  count(*)::int chosen, count(*) filter (where p.outcome = 'issued')::int issued,
  count(*) filter (where p.outcome = 'rehearsed')::int rehearsed,
  count(*) filter (where p.outcome = 'changed')::int changed,
  count(*) filter (where p.outcome = 'skipped')::int skipped,
  count(*) filter (where p.outcome = 'failed')::int failed,
  count(*) filter (where p.outcome is null)::int open`

export async function runHeader(runId: number): Promise<RunHeader | undefined> {
  const found = await rows<RunHeader>(
    `select ${header}, ${counts}
    from send_run r
    join send_run_document p on p.run_id = r.id
    where r.id = $1
    group by r.id`,
    [runId],
  )
  return found[0]
}

/** A page of runs, newest first, each with its counts and its numbers. */
export async function runPage(
  after: string | undefined,
  limit: number,
  who: Principal,
): Promise<(RunHeader & { sortKey: string })[]> {
  const sort: Sort = { key: 'r.started_at', type: 'timestamptz', descending: true }
  const parameters: unknown[] = []
  const { where, order } = keyset(sort, 'r.id', after, parameters)
  return rows(
    `select r.*, n.*
    from (
      select ${header}, r.started_at::text "sortKey", ${counts}
      from (
        select *
        from send_run r
        where ${where} and ${runsWithin(who, 'r.id')}
        order by ${order}
        limit ${limit + 1}
      ) r
      join send_run_document p on p.run_id = r.id
      group by r.id, r.started_at, r.goes_at, r.ended_at, r.taken_back_by, r.stopped_by, r.started_by,
        r.post_only
    ) r
    left join lateral (
      select coalesce(
        json_agg(json_build_object('first', first, 'last', last) order by series_id, period), '[]'
      ) numbers
      from (
        select d.series_id, d.period, (array_agg(d.number order by d.counter))[1] first,
          (array_agg(d.number order by d.counter desc))[1] last
        from send_run_document p
        join document d on d.id = p.document_id
        where p.run_id = r.id
        group by 1, 2
      ) s
    ) n
      on true
    order by r."startedAt" desc, r.id desc`,
    parameters,
  )
}

/** The first and last number that a run drew, series by series. */
export async function runNumbers(runId: number): Promise<{ first: string; last: string; count: number }[]> {
  return rows(
    `select (array_agg(d.number order by d.counter))[1] first,
      (array_agg(d.number order by d.counter desc))[1] last, count(*)::int count
    from send_run_document r
    join document d on d.id = r.document_id
    where r.run_id = $1
    group by d.series_id, d.period
    order by d.series_id`,
    [runId],
  )
}

export async function runSums(runId: number): Promise<{ currency: string; sum: string }[]> {
  return rows(
    `select d.currency, sum(d.total)::text sum
    from send_run_document r join document d on d.id = r.document_id
    where r.run_id = $1
    group by 1
    order by 1`,
    [runId],
  )
}

/** The parts of a run in documents, emails and print jobs, and money; each chosen document is in one part. */
export async function runParts(runId: number): Promise<Omit<RunPart, 'sums'>[]> {
  return rows(
    `with lines as (${linesOfRun})
    select l.part, count(*)::int documents,
      (select count(distinct x)::int from lines o, unnest(o.emails) x where o.part = l.part) emails,
      (select count(distinct x)::int from lines o, unnest(o.prints) x where o.part = l.part) prints
    from lines l
    group by l.part`,
    [runId],
  )
}

export async function runPartSums(runId: number): Promise<{ part: string; currency: string; sum: string }[]> {
  return rows(
    `with lines as (${linesOfRun})
    select part, currency, sum(total)::text sum from lines group by 1, 2 order by 2`,
    [runId],
  )
}

/** Emails and print jobs of a run, each once however many documents it carries. */
export async function runMails(runId: number): Promise<{ emails: number; prints: number }> {
  const found = await rows<{ emails: number; prints: number }>(
    `with lines as (${linesOfRun})
    select (select count(distinct x)::int from lines l, unnest(l.emails) x) emails,
      (select count(distinct x)::int from lines l, unnest(l.prints) x) prints`,
    [runId],
  )
  return found[0]!
}

/** What did not go, with its reason and what it is now. */
export async function runProblems(runId: number, most: number): Promise<RunProblem[]> {
  return rows(
    `with
      lines as (${linesOfRun})
    select l.prepared_id "preparedId", p.state "paperState", l.order_number "orderNumber",
      l.customer_name "customerName", l.kind, l.part, coalesce(l.number, '') number,
      l.document_id "documentId", l.total::text total, l.currency,
      case when l.part <> 'stuck' then l.reason end reason,
      case when l.part = 'stuck' then coalesce(s.last_reply, '') else '' end reply,
      s.stuck_cause cause, s.id "dispatchId"
    from lines l
    join prepared_document p on p.id = l.prepared_id
    left join lateral (
      select id, stuck_cause, last_reply
      from dispatch
      where id = any(l.ids) and state = 'stuck'
      order by id
      limit 1
    ) s
      on true
    where l.part in ('changed', 'skipped', 'failed', 'stuck')
    order by l.prepared_id
    limit ${most}`,
    [runId],
  )
}

export async function runLinesOf(runId: number): Promise<RunLine[]> {
  return rows(
    `with lines as (${linesOfRun})
    select order_number "order", customer_name customer, kind, coalesce(number, '') document, part outcome,
      coalesce(case when outcome <> 'issued' then reason ->> 'words' end, '') reason, total::text total, currency,
      coalesce(cardinality(emails), 0) emails, coalesce(cardinality(prints), 0) prints
    from lines
    order by order_date, length(order_number), order_number`,
    [runId],
  )
}

/** The runs that are still under way of one person, and those that ended a short while ago, newest first. */
export async function recentRuns(userId: number, since: Date): Promise<number[]> {
  const found = await rows<{ id: number }>(
    `select id from send_run
    where started_by_id = $1 and (ended_at is null or ended_at > $2)
    order by id desc
    limit 5`,
    [userId, since],
  )
  return found.map((row) => row.id)
}
