import { json, run } from '../db/connection'

/** The jobs there are, with their payloads: ids only. */
export interface Jobs {
  /** Events to be looked at by the routines. */
  'look-at-events': { eventIds: number[] }
  /** Prepared papers whose sources changed, to be built anew. */
  'refresh-prepared': { preparedIds: number[] }
  /** A person's Send. */
  'send-run': { runId: number }
  /** Prepared papers of a routine that lets them go by themselves. */
  'issue-prepared': { preparedIds: number[] }
  /** Issued documents whose PDF is not stored yet. */
  'paint-documents': { documentIds: number[] }
  /** Emails that are due. */
  'send-dispatches': { dispatchIds: number[] }
  /** A bank file that was kept and is not read yet. */
  'read-bank-file': { fileId: number }
  /** Movements of a bank file that somebody had booked. */
  'book-bank-entries': { fileId: number }
  /** A file of records to be checked, or written. */
  'go-on-importing': { importId: number }
  /** Rehearsal papers that are not mailed yet. */
  'send-rehearsals': { rehearsalIds: number[] }
  /** Statements of many accounts that somebody had prepared. */
  'make-statements': { runId: number }
  /** The email of the morning. */
  'morning-email': Record<string, never>
  /** The email that tells colleagues what went. */
  'daily-digest': Record<string, never>
  /** A routine of the clock that is due. */
  'take-turn': { routineId: number }
  /** The calendar of the house is another one: when routines of the clock have their turn. */
  'plan-turns': Record<string, never>
  /** Labels to be bought, asked for by their key, or given back. */
  'book-labels': { labelIds: number[] }
  /** Shipments and returns whose labels are bought: their document. */
  'label-documents': { sourceIds: number[] }
  /** Labels of returns whose last day is over are given back. */
  'end-return-labels': Record<string, never>
  /** A carrier that is asked again what it carries. */
  'renew-carrier': { carrierId: number }
  /** Labels whose carrier is asked how far their parcels are. */
  'follow-parcels': { labelIds: number[] }
  /** An email that somebody had bounce comes back. */
  'provoke-bounce': { dispatchId: number; address: string }
  /** An invitation, or a code for a new password. */
  'write-to-staff': { staffId: number; purpose: 'invitation' | 'new password' }
}

const priority: Record<keyof Jobs, number> = {
  'look-at-events': 0,
  'refresh-prepared': 0,
  'send-run': 1,
  'issue-prepared': 1,
  'paint-documents': 2,
  'send-dispatches': 3,
  'send-rehearsals': 3,
  'read-bank-file': 2,
  'book-bank-entries': 2,
  'go-on-importing': 2,
  'make-statements': 2,
  'take-turn': 1,
  'plan-turns': 1,
  'morning-email': 3,
  'daily-digest': 3,
  'provoke-bounce': 3,
  'write-to-staff': 1,
  'book-labels': 1,
  'follow-parcels': 3,
  'end-return-labels': 3,
  'renew-carrier': 3,
  'label-documents': 1,
}

/**
 * Adds a job inside the caller's transaction: it exists exactly when the rows it is about do.
 * A job is a wake-up call; should it be lost, the sweeper adds another from the rows. Retries come from the rows too.
 * With a `key`, a job of that key that has not started yet is replaced.
 */
export async function addJob<Name extends keyof Jobs>(
  name: Name,
  payload: Jobs[Name],
  options: { runAt?: Date; key?: string } = {},
): Promise<void> {
  await run(
    `select graphile_worker.add_job(
      $1, $2::json, max_attempts := 3, priority := $3, run_at := $4, job_key := $5
    )`,
    [name, json(payload), priority[name], options.runAt ?? null, options.key ?? null],
  )
}

/** Adds one job per group of ids. */
export async function addJobs<Name extends keyof Jobs>(
  name: Name,
  ids: readonly number[],
  groupSize: number,
  payload: (ids: number[]) => Jobs[Name],
): Promise<void> {
  for (let at = 0; at < ids.length; at += groupSize)
    await addJob(name, payload(ids.slice(at, at + groupSize)))
}
