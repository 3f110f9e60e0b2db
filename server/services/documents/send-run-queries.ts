import type { PaymentMethod } from '../../../core/documents/facts'
import type { Told } from '../../../core/said/told'
import { run, json, one, rows } from '../../db/connection'
import type { IssueResult } from './ready-to-issue'

/* The statements of send-run.ts. */

interface OpenPaper {
  preparedId: number
  revision: number
}

interface RunHeader {
  startedBy: string
  endedAt: Date | null
  goesAt: Date
  stopAsked: boolean
  stoppedBy: string | null
  postOnly: boolean
  paidBy: PaymentMethod | null
  despite: boolean
  withoutAddress: boolean
  senderId: number | null
}

export const insertRunDocuments = (runId: number, papers: readonly { id: number; revision: number }[]) =>
  run(
    `insert into send_run_document (run_id, prepared_id, revision)
    select $runId, p.id, p.revision
    from jsonb_to_recordset($papers::jsonb) as p (id int, revision int)
    on conflict do nothing`,
    { runId, papers: json(papers) },
  )

export const undoTime = () => one<{ undoMinutes: number }>('select undo_minutes "undoMinutes" from company')

export const insertRun = (given: {
  key: string
  userName: string
  userId: number
  now: Date
  goesAt: Date
  postOnly: boolean
  paidBy: null | string
  despite: boolean
  withoutAddress: boolean
}) =>
  one<{ id: number }>(
    `insert into send_run (
      key, started_by, started_by_id, started_at, goes_at, post_only, paid_by, despite, without_address
    )
    values ($key, $userName, $userId, $now, $goesAt, $postOnly, $paidBy, $despite, $withoutAddress)
    on conflict (key) do nothing
    returning id`,
    given,
  )

export const runByKey = (key: string) =>
  one<{ id: number }>('select id from send_run where key = $key', { key })

export const endTakenBack = (given: { runId: number; now: Date; actor: string }) =>
  run(
    `update send_run
    set ended_at = $now, taken_back_by = $actor
    where id = $runId and ended_at is null and goes_at > $now`,
    given,
  )

/**
 * One at a time has its turn with a run, in the order in which they asked: whoever wants to stop it comes before
 * its next batch. (A row's lock alone may go to one who asked later.)
 */
export const takeTurn = (runId: number) =>
  run(`select pg_advisory_xact_lock(hashtext('send run'), $runId)`, { runId })

export const askToStop = (runId: number, actor: string) =>
  run('update send_run set stop_asked = true, stopped_by = $actor where id = $runId and ended_at is null', {
    runId,
    actor,
  })

export const skipOpen = (runId: number, reason: Told) =>
  run(
    `update send_run_document
    set outcome = 'skipped', reason = $reason::jsonb
    where run_id = $runId and outcome is null`,
    { runId, reason: json(reason) },
  )

export const lockRun = (runId: number) =>
  one<RunHeader>(
    `select started_by "startedBy", ended_at "endedAt", goes_at "goesAt", stop_asked "stopAsked",
      stopped_by "stoppedBy", post_only "postOnly", paid_by "paidBy", despite,
      without_address "withoutAddress", started_by_id "senderId"
    from send_run
    where id = $runId
    for update`,
    { runId },
  )

export const nextOfRun = (runId: number, limit: number) =>
  rows<OpenPaper>(
    `select r.prepared_id "preparedId", r.revision
    from send_run_document r join prepared_document p on p.id = r.prepared_id
    where r.run_id = $runId and r.outcome is null
    order by p.order_date, length(p.order_number), p.order_number
    limit $limit`,
    { runId, limit },
  )

export const endOpenRun = (runId: number, now: Date) =>
  run('update send_run set ended_at = $now where id = $runId and ended_at is null', { runId, now })

export const keepRunOutcomes = (runId: number, outcomes: readonly IssueResult[]) =>
  run(
    `update send_run_document r set outcome = o.outcome, reason = o.reason, document_id = o."documentId"
    from jsonb_to_recordset($outcomes::jsonb) as o ("preparedId" int, outcome text, reason jsonb, "documentId" int)
    where r.run_id = $runId and r.prepared_id = o."preparedId" and r.outcome is null`,
    { runId, outcomes: json(outcomes) },
  )
