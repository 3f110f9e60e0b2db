import { labelLifecycle } from '../../../core/shipping/labels'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { log } from '../../log'
import { addJob, type Jobs } from '../../queue/add'
import { howFar } from '../house/how-far'
import { company } from '../house/house'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import { moveDispatches } from './move'
import { presumeArrived } from './reports'
import { sendFailureNotice } from './notice'
import {
  keepBeat,
  forgetWorker,
  trySweepLock,
  sweepLock,
  bankFilesHalfRead,
  bankFilesHalfBooked,
  importsHalfDone,
  statementRunsWaiting,
  turnsDue,
  digestDue,
  morningDue,
  runsDue,
  deleteDeadWorkers,
  deadAfterSeconds,
  jobsHeldBy,
  unlockJobs,
  lockLapsed,
  forgottenEvents,
  staleForgotten,
  automaticForgotten,
  unpaintedForgotten,
  dispatchesForgotten,
  markReadyForgotten,
  rehearsalsForgotten,
  labelsForgotten,
  parcelsToAskAbout,
  returnLabelsEnded,
  labelsUnprepared,
  lockLapsedBookings,
  carriersToRenew,
} from './sweep-queries'
import { theHouse } from '../people/principal'

/*
 * The sweeper: makes the rows true again after anything died, and gives every due row without a job one.
 * Called by each worker every 15 s; an advisory lock lets one do it at a time.
 * Dies half-way: the next sweep does it.
 */

/** A worker process says that it lives, and which queue workers it runs. */
export async function beat(
  workerId: string,
  queueWorkers: readonly string[],
  startedAt: Date,
): Promise<void> {
  await keepBeat({ workerId, startedAt, queueWorkers })
}

/** A worker process says goodbye. */
export async function leave(workerId: string): Promise<void> {
  await forgetWorker(workerId)
}

export async function sweep(): Promise<void> {
  await inTransaction(async () => {
    const mine = await trySweepLock(sweepLock)
    if (!mine?.mine) return
    await buryWorkers()
    if ((await howFar()) !== 'ready') return
    await lapseClaims()
    await lapseBookings()
    await presumeArrived((await company()).presumeSeconds)
    await wake('look-at-events', forgottenEvents, 25, (eventIds) => ({ eventIds }))
    await wake('refresh-prepared', staleForgotten, 50, (preparedIds) => ({ preparedIds }))
    await wake('issue-prepared', automaticForgotten, 100, (preparedIds) => ({ preparedIds }))
    await wake('paint-documents', unpaintedForgotten, 25, (documentIds) => ({ documentIds }))
    await markReadyForgotten(new Date(clock.now().getTime() - 5000))
    await wake('send-dispatches', dispatchesForgotten, 10, (dispatchIds) => ({ dispatchIds }))
    await wake('book-labels', labelsForgotten, 10, (labelIds) => ({ labelIds }))
    await wake('follow-parcels', parcelsToAskAbout, 50, (labelIds) => ({ labelIds }))
    await wake('label-documents', labelsUnprepared, 10, (sourceIds) => ({ sourceIds }))
    if ((await returnLabelsEnded(clock.now()))?.some)
      await addJob('end-return-labels', {}, { key: 'sweep return labels' })
    for (const { id } of await carriersToRenew(clock.now()))
      await addJob('renew-carrier', { carrierId: id }, { key: `sweep carrier ${id}` })
    await wake('send-rehearsals', rehearsalsForgotten, 20, (rehearsalIds) => ({ rehearsalIds }))
    for (const { id } of await bankFilesHalfRead())
      await addJob('read-bank-file', { fileId: id }, { key: `sweep bank file ${id}` })
    for (const { id } of await bankFilesHalfBooked(new Date(clock.now().getTime() - 30_000)))
      await addJob('book-bank-entries', { fileId: id }, { key: `sweep bank entries ${id}` })
    for (const { id } of await importsHalfDone())
      await addJob('go-on-importing', { importId: id }, { key: `sweep import ${id}` })
    for (const { id } of await statementRunsWaiting())
      await addJob('make-statements', { runId: id }, { key: `sweep statements ${id}` })
    for (const { id } of await turnsDue(clock.now()))
      await addJob('take-turn', { routineId: id }, { key: `sweep turn ${id}` })
    if (await morningDue(clock.now())) await addJob('morning-email', {}, { key: 'sweep morning' })
    if (await digestDue(clock.now())) await addJob('daily-digest', {}, { key: 'sweep digest' })
    for (const { id } of await runsDue()) await addJob('send-run', { runId: id }, { key: `sweep run ${id}` })
  })
  if ((await howFar()) === 'ready') await sendFailureNotice()
}

/**
 * Rows older than a moment that still wait get a job again. The same rows keep the same job key, so jobs do
 * not pile up.
 */
async function wake<Name extends keyof Jobs>(
  name: Name,
  waiting: (before: Date) => Promise<{ id: number }[]>,
  groupSize: number,
  payload: (ids: number[]) => Jobs[Name],
): Promise<void> {
  const due = await waiting(new Date(clock.now().getTime() - 5000))
  for (let at = 0; at < due.length; at += groupSize) {
    await addJob(name, payload(due.slice(at, at + groupSize).map((row) => row.id)), {
      key: `sweep ${name} ${at / groupSize}`,
    })
  }
}

/** Frees the jobs of workers that died: automatically the queue would wait four hours. */
async function buryWorkers(): Promise<void> {
  const dead = await deleteDeadWorkers(deadAfterSeconds)
  const queueWorkers = dead.flatMap((worker) => worker.queueWorkers)
  if (queueWorkers.length === 0) return
  const { jobs } = (await jobsHeldBy(queueWorkers))!
  await unlockJobs(queueWorkers)
  log.warn({ workers: dead.map((worker) => worker.id), jobs }, 'a worker died; its jobs are freed')
  publish('worker')
}

/** A lapsed claim is tried again; a lapsed handing over is unclear and waits for a person. */
async function lapseClaims(): Promise<void> {
  const now = clock.now()
  const again = await lockLapsed('claimed', now)
  const unclear = await lockLapsed('handing over', now)
  await moveDispatches(
    'lapse',
    again.map(({ id }) => ({ id, set: { nextTryAt: now } })),
    { who: theHouse, what: () => told('sent/worker-stopped') },
  )
  await moveDispatches(
    'lose',
    unclear.map(({ id }) => ({ id, set: { cause: 'unclear' as const } })),
    { who: theHouse, what: () => told('remedy/unclear') },
  )
}

/** A label whose worker stopped while the carrier was called may have been bought: it is asked for by its key. */
async function lapseBookings(): Promise<void> {
  const now = clock.now()
  const lapsed = await lockLapsedBookings(now)
  await moveRows(
    { table: 'label', lifecycle: labelLifecycle },
    'lose',
    lapsed.map(({ id }) => id),
    { tries: 0, next_try_at: now, reply: 'its worker stopped' },
  )
  await noteAll(
    lapsed.map(({ sourceId, parcel }) => ({
      sourceId,
      actor: theHouse.name,
      ...told('goods/label-unclear', { parcel }),
    })),
  )
}
