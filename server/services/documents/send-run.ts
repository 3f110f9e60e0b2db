import type { PaymentMethod } from '../../../core/documents/facts'
import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { toCheckMatching } from '../line/list'
import { publish } from '../live/publish'
import { issueBatch, issueInOneTransaction, Paused, type IssueHow, type IssueResult } from './issue'

/*
 * A person's Send: the chosen papers, frozen with the revision that was looked at, issued in batches in the background once the
 * house's grace is over; until then the whole run can be taken back, and later stopped between two batches.
 * Called by the Send button (startRun) and the job send-run (continueRun); the same key never starts a second run.
 * Dies half-way: papers without an outcome are taken up again; those issued have theirs, written in the issuing transaction.
 * Refuses: nothing to send; more than the limit at once.
 */

export interface RunReport {
  id: number
  startedAt: Date
  /** When the grace is over and numbers are drawn. */
  goesAt: Date
  endedAt: Date | null
  takenBackBy: string | null
  stoppedBy: string | null
  startedBy: string
  /** Issued and not put on its way. */
  postOnly: boolean
  chosen: number
  issued: number
  rehearsed: number
  changed: number
  skipped: number
  failed: number
  open: number
  /** The numbers that were drawn, series by series; no gap between first and last. */
  numbers: { first: string; last: string; count: number }[]
  sums: { currency: string; sum: string }[]
  /** What became of the issued ones; documents and dispatches counted apart. */
  sent: {
    dispatches: number
    emailed: number
    printed: number
    waiting: number
    stuck: number
    unsent: number
  }
  problems: { paperId: number; orderNumber: string; customerName: string; outcome: string; reason: string }[]
}

const most = 5000

/** Starts a run, or answers the one that this key already started. */
export async function startRun(
  papers: readonly { id: number; revision: number }[],
  key: string,
  user: { id: number; name: string },
  how: IssueHow = {},
): Promise<number> {
  if (papers.length === 0)
    throw new Refusal('nothing-chosen', 'Nothing is chosen. Pick the papers to send.', { status: 400 })
  if (papers.length > most)
    throw new Refusal('too-many', `At most ${most} papers can be sent at once.`, { status: 400 })
  return inTransaction(async () => {
    const started = await newRun(key, user, how)
    if (!started.isNew) return started.id
    await run(
      `insert into send_run_paper (run_id, paper_id, revision)
      select $1, p.id, p.revision from jsonb_to_recordset($2::jsonb) as p (id int, revision int) on conflict do nothing`,
      [started.id, json(papers)],
    )
    await begin(started)
    return started.id
  })
}

interface Started {
  id: number
  isNew: boolean
  goesAt: Date
}

async function newRun(
  key: string,
  user: { id: number; name: string },
  { postOnly = false, paidBy = null }: IssueHow,
): Promise<Started> {
  const now = clock.now()
  const { graceMinutes } = (await one<{ graceMinutes: number }>(
    'select grace_minutes "graceMinutes" from company',
  ))!
  const goesAt = new Date(now.getTime() + graceMinutes * 60_000)
  const row = await one<{ id: number }>(
    `insert into send_run (key, started_by, started_by_id, started_at, goes_at, post_only, paid_by) values ($1, $2, $3, $4, $5, $6, $7) on conflict (key) do nothing returning id`,
    [key, user.name, user.id, now, goesAt, postOnly, paidBy],
  )
  return row
    ? { id: row.id, isNew: true, goesAt }
    : {
        id: (await one<{ id: number }>('select id from send_run where key = $1', [key]))!.id,
        isNew: false,
        goesAt,
      }
}

async function begin(run: Started): Promise<void> {
  await addJob('send-run', { runId: run.id }, { runAt: run.goesAt })
  publish('run', [run.id])
}

export interface Matching {
  kind?: DocumentKind
  brand?: string
  over?: string
  search?: string
}

/**
 * Sends everything on To check that matches a filter, frozen at this moment. What changed since somebody looked, or cannot be issued, is left out.
 * @throws Refusal "other-count" when it is not as many as were shown
 */
export async function startMatchingRun(
  filter: Matching,
  count: number,
  key: string,
  user: { id: number; name: string },
  how: IssueHow = {},
): Promise<number> {
  return inTransaction(async () => {
    const started = await newRun(key, user, how)
    if (!started.isNew) return started.id
    const parameters: unknown[] = [started.id]
    const where = toCheckMatching(filter, parameters)
    const taken = await run(
      `insert into send_run_paper (run_id, paper_id, revision) select $1, p.id, p.revision from paper p where ${where} and p.problem is null and p.changes is null and not p.stale`,
      parameters,
    )
    if (taken !== count)
      throw new Refusal('other-count', `Meanwhile it is ${taken} and not ${count}. Look again, then send.`)
    await begin(started)
    return started.id
  })
}

/** Takes a whole run back while its grace lasts: nothing was numbered. @throws Refusal "too-late" */
export async function takeBack(runId: number, actor: string): Promise<void> {
  await inTransaction(async () => {
    const now = clock.now()
    const back = await run(
      'update send_run set ended_at = $2, taken_back_by = $3 where id = $1 and ended_at is null and goes_at > $2',
      [runId, now, actor],
    )
    if (back === 0)
      throw new Refusal(
        'too-late',
        'Its grace is over: the papers are being issued. Stop the run to keep back what is left.',
      )
    await leaveOut(runId, `Taken back by ${actor}. No number was used.`)
  })
}

/** Stops a run cleanly: what is issued stays issued, the rest stays on To check. */
export async function stopRun(runId: number, actor: string): Promise<void> {
  await inTransaction(async () => {
    await run('update send_run set stop_asked = true, stopped_by = $2 where id = $1 and ended_at is null', [
      runId,
      actor,
    ])
    await addJob('send-run', { runId })
    publish('run', [runId])
  })
}

async function leaveOut(runId: number, reason: string): Promise<void> {
  await run(
    `update send_run_paper set outcome = 'skipped', reason = $2 where run_id = $1 and outcome is null`,
    [runId, reason],
  )
  publish('run', [runId])
  publish('line')
}

interface OpenPaper {
  paperId: number
  revision: number
}

/** Issues the run's papers batch by batch until none is open; safe to call again at any time. */
export async function continueRun(runId: number): Promise<void> {
  for (;;) {
    const header = await one<{
      startedBy: string
      endedAt: Date | null
      goesAt: Date
      stopAsked: boolean
      stoppedBy: string | null
      postOnly: boolean
      paidBy: PaymentMethod | null
    }>(
      `select started_by "startedBy", ended_at "endedAt", goes_at "goesAt", stop_asked "stopAsked", stopped_by "stoppedBy", post_only "postOnly", paid_by "paidBy" from send_run where id = $1`,
      [runId],
    )
    if (!header || header.endedAt || header.goesAt > clock.now()) return
    if (header.stopAsked) {
      await leaveOut(runId, `Stopped by ${header.stoppedBy ?? 'somebody'} before it was issued.`)
      break
    }
    const batch = await rows<OpenPaper>(
      `select r.paper_id "paperId", r.revision from send_run_paper r join paper p on p.id = r.paper_id
      where r.run_id = $1 and r.outcome is null order by p.order_date, length(p.order_number), p.order_number limit $2`,
      [runId, issueBatch],
    )
    if (batch.length === 0) break
    try {
      await issueInOneTransaction(batch, header.startedBy, (results) => keepOutcomes(runId, results), header)
    } catch (error) {
      if (error instanceof Paused) return
      throw error
    }
    publish('run', [runId])
  }
  await run('update send_run set ended_at = $2 where id = $1 and ended_at is null', [runId, clock.now()])
  publish('run', [runId])
}

async function keepOutcomes(runId: number, results: IssueResult[]): Promise<void> {
  await run(
    `update send_run_paper r set outcome = o.outcome, reason = o.reason, document_id = o."documentId"
    from jsonb_to_recordset($2::jsonb) as o ("paperId" int, outcome text, reason text, "documentId" int)
    where r.run_id = $1 and r.paper_id = o."paperId" and r.outcome is null`,
    [runId, json(results)],
  )
}

/** How far a run is, and at its end its report: chosen = issued + changed + skipped + failed. */
export async function runReport(runId: number): Promise<RunReport> {
  const report = await one<Omit<RunReport, 'problems' | 'numbers' | 'sums' | 'sent'>>(
    `
    select r.id, r.started_at "startedAt", r.goes_at "goesAt", r.ended_at "endedAt", r.taken_back_by "takenBackBy", r.stopped_by "stoppedBy", r.started_by "startedBy", r.post_only "postOnly", count(*)::int chosen,
      count(*) filter (where p.outcome = 'issued')::int issued, count(*) filter (where p.outcome = 'rehearsed')::int rehearsed, count(*) filter (where p.outcome = 'changed')::int changed,
      count(*) filter (where p.outcome = 'skipped')::int skipped, count(*) filter (where p.outcome = 'failed')::int failed,
      count(*) filter (where p.outcome is null)::int open
    from send_run r join send_run_paper p on p.run_id = r.id where r.id = $1 group by r.id`,
    [runId],
  )
  if (!report) throw new Refusal('no-such-run', 'That run does not exist.', { status: 404 })
  const problems = await rows<RunReport['problems'][number]>(
    `select r.paper_id "paperId", p.order_number "orderNumber", p.customer_name "customerName", r.outcome, r.reason
    from send_run_paper r join paper p on p.id = r.paper_id where r.run_id = $1 and r.outcome in ('changed', 'skipped', 'failed') order by p.id limit 200`,
    [runId],
  )
  const numbers = await rows<RunReport['numbers'][number]>(
    `select (array_agg(d.number order by d.counter))[1] first, (array_agg(d.number order by d.counter desc))[1] last, count(*)::int count
    from send_run_paper r join document d on d.id = r.document_id where r.run_id = $1 group by d.series_id, d.period order by d.series_id`,
    [runId],
  )
  const sums = await rows<RunReport['sums'][number]>(
    `select d.currency, sum(d.total)::text sum from send_run_paper r join document d on d.id = r.document_id where r.run_id = $1 group by 1 order by 1`,
    [runId],
  )
  const sent = (await one<RunReport['sent']>(
    `select count(s.id)::int dispatches, count(*) filter (where s.channel = 'email' and s.state in ('on the way', 'arrived'))::int emailed,
      count(*) filter (where s.channel = 'paper' and s.state = 'arrived')::int printed, count(*) filter (where s.state in ('waiting', 'claimed', 'handing over'))::int waiting,
      count(*) filter (where s.state = 'stuck')::int stuck, count(*) filter (where s.id is null or s.state = 'closed')::int unsent
    from send_run_paper r left join dispatch_document dd on dd.document_id = r.document_id left join dispatch s on s.id = dd.dispatch_id and not s.is_copy where r.run_id = $1 and r.outcome = 'issued'`,
    [runId],
  ))!
  return { ...report, numbers, sums, sent, problems }
}

/** Runs a person may want to see again: their own that are under way, newest first. */
export async function openRuns(userId: number): Promise<number[]> {
  return (
    await rows<{ id: number }>(
      'select id from send_run where ended_at is null and started_by_id = $1 order by id desc limit 5',
      [userId],
    )
  ).map((row) => row.id)
}

export interface RunLine {
  order: string
  customer: string
  outcome: string
  reason: string
  document: string
  total: string
  currency: string
  state: string
}

/** Every paper of a run with what became of it, for the CSV report. */
export async function runLines(runId: number): Promise<RunLine[]> {
  return rows<RunLine>(
    `select p.order_number "order", p.customer_name customer, coalesce(r.outcome, 'open') outcome, coalesce(r.reason, '') reason, coalesce(d.number, '') document, p.total::text total, p.currency,
      coalesce((select s.state from dispatch s join dispatch_document dd on dd.dispatch_id = s.id where dd.document_id = d.id and not s.is_copy order by s.id desc limit 1), '') state
    from send_run_paper r join paper p on p.id = r.paper_id left join document d on d.id = r.document_id where r.run_id = $1 order by p.order_date, length(p.order_number), p.order_number`,
    [runId],
  )
}
