import { stuckWords, type StuckCause } from '../../../core/dispatch/states'
import { clock } from '../../clock'
import { inTransaction, one, rows, run } from '../../db/connection'
import { log } from '../../log'
import { addJob, type Jobs } from '../../queue/add'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { stopOf } from './stopped'
import { noteAll } from '../history/history'
import { presumeArrived } from './reports'
import { sendFailureNotice } from './notice'

/*
 * The sweeper: makes the rows true again after anything died, and gives every due row without a job one.
 * Called by each worker every 15 s; an advisory lock lets one do it at a time.
 * Dies half-way: the next sweep does it.
 */

/** A worker that has not been heard for so long is dead; longer than a busy event loop can be silent. */
const deadAfterSeconds = 20
const sweepLock = 7_205_119

/** A worker process says that it lives, and which queue workers it runs. */
export async function beat(
  workerId: string,
  queueWorkers: readonly string[],
  startedAt: Date,
): Promise<void> {
  await run(
    `insert into worker (id, started_at, beat_at, queue_workers) values ($1, $2, now(), $3::text[])
    on conflict (id) do update set beat_at = now(), queue_workers = excluded.queue_workers`,
    [workerId, startedAt, queueWorkers],
  )
}

/** A worker process says goodbye. */
export async function leave(workerId: string): Promise<void> {
  await run('delete from worker where id = $1', [workerId])
}

export async function sweep(): Promise<void> {
  await inTransaction(async () => {
    const mine = await one<{ mine: boolean }>('select pg_try_advisory_xact_lock($1) mine', [sweepLock])
    if (!mine?.mine) return
    await buryWorkers()
    await lapseClaims()
    await presumeArrived((await company()).presumeSeconds)
    await wake(
      'look-at-events',
      'select id from event where looked_at is null and at < $1 order by id limit 500',
      25,
      (eventIds) => ({ eventIds }),
    )
    await wake(
      'refresh-prepared',
      'select id from prepared_document where stale and since < $1 limit 500',
      50,
      (preparedIds) => ({ preparedIds }),
    )
    await wake(
      'issue-prepared',
      `select id
      from prepared_document
      where state = 'prepared' and automatic and since < $1 and ${stopOf('prepared_document')} is null
      order by order_date, id
      limit 500`,
      100,
      (preparedIds) => ({ preparedIds }),
    )
    await wake(
      'paint-documents',
      `select u.document_id id
      from unpainted u
      join document d on d.id = u.document_id
      where d.issued_at < $1
      limit 500`,
      25,
      (documentIds) => ({ documentIds }),
    )
    await wake(
      'send-dispatches',
      `select id
      from dispatch
      where state = 'waiting'
        and channel = 'email'
        and ready
        and not held
        and gather_key is null
        and next_try_at < $1
      order by next_try_at
      limit 1000`,
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    await wake(
      'send-rehearsals',
      `select id
      from rehearsal
      where sent_at is null and given_up is null and made_at < $1
      order by id
      limit 200`,
      20,
      (rehearsalIds) => ({ rehearsalIds }),
    )
    for (const { id } of await rows<{ id: number }>(
      `select id from bank_file where state = 'reading' and made_at < now() - interval '1 minute'`,
    ))
      await addJob('read-bank-file', { fileId: id }, { key: `sweep bank file ${id}` })
    for (const { id } of await rows<{ id: number }>(
      `select distinct file_id id from bank_entry where state = 'to book' and decided_at < $1`,
      [new Date(clock.now().getTime() - 30_000)],
    ))
      await addJob('book-bank-entries', { fileId: id }, { key: `sweep bank entries ${id}` })
    for (const { id } of await rows<{ id: number }>(
      `select id from import where state in ('checking', 'writing') and since < now() - interval '1 minute'`,
    ))
      await addJob('go-on-importing', { importId: id }, { key: `sweep import ${id}` })
    for (const { id } of await rows<{ id: number }>(
      'select id from send_run where ended_at is null and goes_at <= now()',
    ))
      await addJob('send-run', { runId: id }, { key: `sweep run ${id}` })
  })
  await sendFailureNotice()
}

/**
 * Rows older than a moment that still wait get a job again. The same rows keep the same job key, so jobs do
 * not pile up.
 */
async function wake<Name extends keyof Jobs>(
  name: Name,
  sql: string,
  groupSize: number,
  payload: (ids: number[]) => Jobs[Name],
): Promise<void> {
  const due = await rows<{ id: number }>(sql, [new Date(clock.now().getTime() - 5000)])
  for (let at = 0; at < due.length; at += groupSize) {
    await addJob(name, payload(due.slice(at, at + groupSize).map((row) => row.id)), {
      key: `sweep ${name} ${at / groupSize}`,
    })
  }
}

/** Frees the jobs of workers that died: automatically the queue would wait four hours. */
async function buryWorkers(): Promise<void> {
  const dead = await rows<{ id: string; queueWorkers: string[] }>(
    `delete from worker
    where beat_at < now() - make_interval(secs => $1)
    returning id, queue_workers "queueWorkers"`,
    [deadAfterSeconds],
  )
  const queueWorkers = dead.flatMap((worker) => worker.queueWorkers)
  if (queueWorkers.length === 0) return
  const { jobs } = (await one<{ jobs: number }>(
    'select count(*)::int jobs from graphile_worker._private_jobs where locked_by = any($1::text[])',
    [queueWorkers],
  ))!
  await run('select graphile_worker.force_unlock_workers($1::text[])', [queueWorkers])
  log.warn({ workers: dead.map((worker) => worker.id), jobs }, 'a worker died; its jobs are freed')
  publish('worker')
}

/** A lapsed claim is tried again; a lapsed handing over is unclear and waits for a person. */
async function lapseClaims(): Promise<void> {
  const now = clock.now()
  const gone = `(lease_until < $1 or not exists (select from worker w where w.id = claimed_by))`
  const again = await rows<{ id: number }>(
    `update dispatch
    set state = 'waiting', claim_token = null, claimed_by = null, lease_until = null, next_try_at = $1
    where state = 'claimed' and ${gone}
    returning id`,
    [now],
  )
  const unclear = await rows<{ id: number }>(
    `update dispatch
    set state = 'stuck', stuck_cause = 'unclear', since = $1, noticed = false, claim_token = null,
      claimed_by = null, lease_until = null
    where state = 'handing over' and ${gone}
    returning id`,
    [now],
  )
  await noteAll([
    ...again.map(({ id }) => ({
      dispatchId: id,
      actor: 'Clothespin',
      words: 'Its worker stopped before anything left; trying again.',
    })),
    ...unclear.map(({ id }) => ({
      dispatchId: id,
      actor: 'Clothespin',
      words: stuckWords['unclear' satisfies StuckCause].remedy,
    })),
  ])
  if (again.length + unclear.length > 0) publish('line')
}
