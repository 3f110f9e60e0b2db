import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { issueBatch, issueInOneTransaction, type IssueResult } from './issue'

/*
 * A person's Send: the chosen papers, frozen with the revision that was looked at, issued in batches in the background.
 * Called by the Send button (startRun) and the job send-run (continueRun); the same key never starts a second run.
 * Dies half-way: papers without an outcome are taken up again; those issued have theirs, written in the issuing transaction.
 * Refuses: nothing to send; more than the limit at once.
 */

export interface RunReport {
  id: number
  startedAt: Date
  endedAt: Date | null
  startedBy: string
  chosen: number
  issued: number
  changed: number
  skipped: number
  failed: number
  open: number
  /** The numbers that were drawn, series by series; no gap between first and last. */
  numbers: { first: string, last: string, count: number }[]
  sums: { currency: string, sum: string }[]
  problems: { paperId: number, orderNumber: string, customerName: string, outcome: string, reason: string }[]
}

const most = 5000

/** Starts a run, or answers the one that this key already started. */
export async function startRun(papers: readonly { id: number, revision: number }[], key: string, user: { id: number, name: string }): Promise<number> {
  if (papers.length === 0) throw new Refusal('nothing-chosen', 'Nothing is chosen. Pick the papers to send.', { status: 400 })
  if (papers.length > most) throw new Refusal('too-many', `At most ${most} papers can be sent at once.`, { status: 400 })
  return inTransaction(async () => {
    const started = await one<{ id: number }>(`insert into send_run (key, started_by, started_by_id, started_at) values ($1, $2, $3, $4)
      on conflict (key) do nothing returning id`, [key, user.name, user.id, clock.now()])
    if (!started) return (await one<{ id: number }>('select id from send_run where key = $1', [key]))!.id
    await run(`insert into send_run_paper (run_id, paper_id, revision)
      select $1, p.id, p.revision from jsonb_to_recordset($2::jsonb) as p (id int, revision int) on conflict do nothing`, [started.id, json(papers)])
    await addJob('send-run', { runId: started.id })
    publish('run', [started.id])
    return started.id
  })
}

interface OpenPaper { paperId: number, revision: number }

/** Issues the run's papers batch by batch until none is open; safe to call again at any time. */
export async function continueRun(runId: number): Promise<void> {
  const header = await one<{ startedBy: string, endedAt: Date | null }>('select started_by "startedBy", ended_at "endedAt" from send_run where id = $1', [runId])
  if (!header || header.endedAt) return
  for (;;) {
    const batch = await rows<OpenPaper>(`select r.paper_id "paperId", r.revision from send_run_paper r join paper p on p.id = r.paper_id
      where r.run_id = $1 and r.outcome is null order by p.order_date, length(p.order_number), p.order_number limit $2`, [runId, issueBatch])
    if (batch.length === 0) break
    await issueInOneTransaction(batch, header.startedBy, results => keepOutcomes(runId, results))
    publish('run', [runId])
  }
  await run('update send_run set ended_at = $2 where id = $1 and ended_at is null', [runId, clock.now()])
  publish('run', [runId])
}

async function keepOutcomes(runId: number, results: IssueResult[]): Promise<void> {
  await run(`update send_run_paper r set outcome = o.outcome, reason = o.reason, document_id = o."documentId"
    from jsonb_to_recordset($2::jsonb) as o ("paperId" int, outcome text, reason text, "documentId" int)
    where r.run_id = $1 and r.paper_id = o."paperId" and r.outcome is null`, [runId, json(results)])
}

/** How far a run is, and at its end its report: chosen = issued + changed + skipped + failed. */
export async function runReport(runId: number): Promise<RunReport> {
  const report = await one<Omit<RunReport, 'problems' | 'numbers' | 'sums'>>(`
    select r.id, r.started_at "startedAt", r.ended_at "endedAt", r.started_by "startedBy", count(*)::int chosen,
      count(*) filter (where p.outcome = 'issued')::int issued, count(*) filter (where p.outcome = 'changed')::int changed,
      count(*) filter (where p.outcome = 'skipped')::int skipped, count(*) filter (where p.outcome = 'failed')::int failed,
      count(*) filter (where p.outcome is null)::int open
    from send_run r join send_run_paper p on p.run_id = r.id where r.id = $1 group by r.id`, [runId])
  if (!report) throw new Refusal('no-such-run', 'That run does not exist.', { status: 404 })
  const problems = await rows<RunReport['problems'][number]>(`select r.paper_id "paperId", p.order_number "orderNumber", p.customer_name "customerName", r.outcome, r.reason
    from send_run_paper r join paper p on p.id = r.paper_id where r.run_id = $1 and r.outcome in ('changed', 'skipped', 'failed') order by p.id limit 200`, [runId])
  const numbers = await rows<RunReport['numbers'][number]>(`select (array_agg(d.number order by d.counter))[1] first, (array_agg(d.number order by d.counter desc))[1] last, count(*)::int count
    from send_run_paper r join document d on d.id = r.document_id where r.run_id = $1 group by d.series_id, d.period order by d.series_id`, [runId])
  const sums = await rows<RunReport['sums'][number]>(`select d.currency, sum(d.total)::text sum from send_run_paper r join document d on d.id = r.document_id where r.run_id = $1 group by 1 order by 1`, [runId])
  return { ...report, numbers, sums, problems }
}
