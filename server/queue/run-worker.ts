import { registerSources } from '../services/sources'
import { randomUUID } from 'node:crypto'
import { EventEmitter } from 'node:events'
import { Logger, run, type Runner, type TaskList, type WorkerEvents } from 'graphile-worker'
import { clock } from '../clock'
import { config } from '../config'
import { log, reasonOf } from '../log'
import { listenForReports } from '../outside/mail/listener'
import { keepReport } from '../services/dispatch/reports'
import { closeMailConnections } from '../outside/mail/smtp'
import { closeRenderPool, warmRenderPool } from '../render/pool'
import { beat, leave, sweep } from '../services/dispatch/sweep'
import type { Jobs } from './add'
import { watchQueue } from './deaf'
import { run as bookLabels } from './tasks/book-labels'
import { run as dailyDigest } from './tasks/daily-digest'
import { run as endReturnLabels } from './tasks/end-return-labels'
import { run as followParcels } from './tasks/follow-parcels'
import { run as labelDocuments } from './tasks/label-documents'
import { run as bookBankEntries } from './tasks/book-bank-entries'
import { run as goOnImporting } from './tasks/go-on-importing'
import { run as issuePapers } from './tasks/issue-prepared'
import { run as lookAtEvents } from './tasks/look-at-events'
import { run as makeStatements } from './tasks/make-statements'
import { run as morningEmail } from './tasks/morning-email'
import { run as provokeBounce } from './tasks/provoke-bounce'
import { run as paintDocuments } from './tasks/paint-documents'
import { run as readBankFile } from './tasks/read-bank-file'
import { run as renewCarrier } from './tasks/renew-carrier'
import { run as refreshPrepared } from './tasks/refresh-prepared'
import { run as sendDispatches } from './tasks/send-dispatches'
import { run as sendRehearsals } from './tasks/send-rehearsals'
import { run as sendRun } from './tasks/send-run'
import { run as planTurns } from './tasks/plan-turns'
import { run as takeTurn } from './tasks/take-turn'
import { run as writeToStaff } from './tasks/write-to-staff'

const tasks: { [Name in keyof Jobs]: (payload: Jobs[Name], workerId: string) => Promise<void> } = {
  'book-bank-entries': bookBankEntries,
  'book-labels': bookLabels,
  'label-documents': labelDocuments,
  'daily-digest': dailyDigest,
  'end-return-labels': endReturnLabels,
  'follow-parcels': followParcels,
  'go-on-importing': goOnImporting,
  'issue-prepared': issuePapers,
  'look-at-events': lookAtEvents,
  'make-statements': makeStatements,
  'morning-email': morningEmail,
  'paint-documents': paintDocuments,
  'plan-turns': planTurns,
  'provoke-bounce': provokeBounce,
  'read-bank-file': readBankFile,
  'refresh-prepared': refreshPrepared,
  'renew-carrier': renewCarrier,
  'send-dispatches': sendDispatches,
  'send-rehearsals': sendRehearsals,
  'send-run': sendRun,
  'take-turn': takeTurn,
  'write-to-staff': writeToStaff,
}

/** The task list for one worker process; errors are logged with the job and left to the queue and the sweeper. */
export function taskList(workerId: string): TaskList {
  registerSources()
  return Object.fromEntries(
    Object.entries(tasks).map(([name, task]) => [
      name,
      async (payload: unknown) => {
        try {
          await (task as (payload: unknown, workerId: string) => Promise<void>)(payload, workerId)
        } catch (error) {
          log.error({ job: name, payload, error: reasonOf(error) }, 'a job failed')
          throw error
        }
      },
    ]),
  )
}

const beatSeconds = 5

/**
 * Runs jobs until stopped: queue workers, heartbeat, sweeper and the listener for delivery reports.
 * @param onDeaf called when its queue hears of no jobs any more, though the database answers
 */
export async function startWorker(onDeaf: () => void): Promise<{ stop: () => Promise<void> }> {
  const workerId = `worker ${randomUUID()}`
  const startedAt = clock.now()
  const queueWorkers = new Set<string>()
  const quiet = new Logger(
    () => (level, message) =>
      level === 'error' ? log.warn({ queue: message }, 'the queue reported an error') : undefined,
  )
  const events: WorkerEvents = new EventEmitter()
  // the queue names its locks after the pool, not after the workers in it
  events.on('pool:create', ({ workerPool }) => queueWorkers.add(workerPool.id))
  events.on('worker:create', ({ worker }) => queueWorkers.add(worker.workerId))
  const isDeaf = watchQueue(events)
  await beat(workerId, [], startedAt)
  warmRenderPool()
  const runner: Runner = await run({
    connectionString: config.databaseUrl,
    concurrency: config.concurrency,
    taskList: taskList(workerId),
    noHandleSignals: true,
    logger: quiet,
    pollInterval: 2000,
    maxPoolSize: config.concurrency + 2,
    events,
  })
  await beat(workerId, [...queueWorkers], startedAt)
  const listener = listenForReports(keepReport)
  const safely = (what: string, act: () => Promise<void>) => {
    let busy = false
    return () => {
      if (busy) return
      busy = true
      act()
        .catch((error: unknown) => log.warn({ what, error: String(error) }, 'will be tried again'))
        .finally(() => {
          busy = false
        })
    }
  }
  const beatNow = safely('heartbeat', async () => {
    await beat(workerId, [...queueWorkers], startedAt)
    if (isDeaf()) onDeaf()
  })
  const sweepNow = safely('sweep', sweep)
  setTimeout(beatNow, 500).unref()
  setTimeout(sweepNow, 1000).unref()
  const timers = [setInterval(beatNow, beatSeconds * 1000), setInterval(sweepNow, config.sweepSeconds * 1000)]
  return {
    stop: async () => {
      timers.forEach(clearInterval)
      await runner.stop()
      await leave(workerId)
      await listener.close()
      closeMailConnections()
      await closeRenderPool()
    },
  }
}
