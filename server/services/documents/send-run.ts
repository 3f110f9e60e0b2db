import type { DocumentKind } from '../../../core/documents/kinds'
import { Refusal } from '../../../core/errors'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJob } from '../../queue/add'
import { closeGathering } from '../dispatch/create'
import { publish } from '../live/publish'
import { candidates, mostSent } from './queries'
import { sendBatch, issueInOneTransaction, Paused } from './issue'
import type { IssueHow, IssueResult } from './ready-to-issue'
import { secondLookRule } from './second-look-queries'
import { type Principal, inTheNameOf, theHouse } from '../people/principal'
import {
  undoTime,
  insertRunDocuments,
  insertRun,
  runByKey,
  endTakenBack,
  askToStop,
  takeTurn,
  skipOpen,
  lockRun,
  nextOfRun,
  endOpenRun,
  keepRunOutcomes,
} from './send-run-queries'

/*
 * A person's Send: the chosen papers, frozen with the revision that was looked at, issued in batches in the
 * background once the
 * house's undo time is over; until then the whole run can be taken back, and later stopped between two batches.
 * Called by the Send button (startRun) and the job send-run (continueRun); the same key never starts a second run.
 * Dies half-way: papers without an outcome are taken up again; those issued have theirs, written in the
 * issuing transaction.
 * Refuses: nothing to send; more than the limit at once.
 */

/** Starts a run, or answers the one that this key already started. */
export async function startRun(
  papers: readonly { id: number; revision: number }[],
  key: string,
  user: { id: number; name: string },
  how: IssueHow = {},
): Promise<number> {
  if (papers.length === 0) throw new Refusal('nothing-chosen', { status: 400 })
  if (papers.length > mostSent) throw new Refusal('too-many', { values: { mostSent }, status: 400 })
  await refuseAlone(papers, user, how)
  if (how.despite && papers.length > 1) throw new Refusal('one-by-one/send', { status: 400 })
  return inTransaction(async () => {
    const started = await newRun(key, user, how)
    if (!started.isNew) return started.id
    await choose(started.id, papers)
    await begin(started)
    return started.id
  })
}

/**
 * Says at once what would only wait out its undo time to be left out.
 * @throws Refusal "many-at-once", "second-look" where a second person has to send it
 */
async function refuseAlone(
  papers: readonly { id: number; revision: number }[],
  user: { id: number; name: string },
  how: IssueHow,
): Promise<void> {
  const { many } = (await secondLookRule())!.rule
  const tooMany = many !== null && papers.length > many
  if (papers.length > 1 && !tooMany) return
  const plans = (await candidates({ papers }, { ...how, senderId: user.id }, theHouse)).map(
    ({ plan }) => plan,
  )
  const barred = plans.find((plan) => !plan.goes && plan.bar === 'second look')
  if (!barred || barred.goes) return
  if (tooMany) throw new Refusal('many-at-once', { values: { many } })
  throw new Refusal('second-look', { values: { why: barred.reason, help: barred.help } })
}

async function choose(runId: number, papers: readonly { id: number; revision: number }[]): Promise<void> {
  await insertRunDocuments(
    runId,
    papers.map(({ id, revision }) => ({ id, revision })),
  )
}

interface Started {
  id: number
  isNew: boolean
  goesAt: Date
}

async function newRun(
  key: string,
  user: { id: number; name: string },
  { postOnly = false, paidBy = null, despite = false, withoutAddress = false }: IssueHow,
): Promise<Started> {
  const now = clock.now()
  const { undoMinutes } = (await undoTime())!
  const goesAt = new Date(now.getTime() + undoMinutes * 60_000)
  const row = await insertRun({
    key,
    userName: user.name,
    userId: user.id,
    now,
    goesAt,
    postOnly,
    paidBy,
    despite,
    withoutAddress,
  })
  return row
    ? { id: row.id, isNew: true, goesAt }
    : {
        id: (await runByKey(key))!.id,
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
 * Sends everything in To check that matches a filter, frozen at this moment. What changed since somebody
 * looked, or cannot be issued, is left out.
 * @throws Refusal "other-count" when it is not as many as were shown
 */
export async function startMatchingRun(
  filter: Matching,
  count: number,
  key: string,
  user: { id: number } & Principal,
  how: IssueHow = {},
): Promise<number> {
  return inTransaction(async () => {
    const started = await newRun(key, user, how)
    if (!started.isNew) return started.id
    const going = (await candidates({ matching: filter }, { ...how, senderId: user.id }, user)).filter(
      (one) => one.plan.goes,
    )
    if (going.length > mostSent) throw new Refusal('too-many/sentence', { values: { mostSent } })
    if (going.length !== count)
      throw new Refusal('other-count', { values: { now: going.length, then: count } })
    await choose(started.id, going)
    await begin(started)
    return started.id
  })
}

/** Takes a whole run back while its undo time lasts: nothing was numbered. @throws Refusal "too-late" */
export async function takeBack(runId: number, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const now = clock.now()
    const back = await endTakenBack({ runId, now, actor: who.name })
    if (back === 0) throw new Refusal('too-late')
    await leaveOut(runId, told('run/taken-back', { person: who.name }))
  })
}

/** Stops a run cleanly: what is issued stays issued, the rest stays in To check. */
export async function stopRun(runId: number, who: Principal): Promise<void> {
  await inTransaction(async () => {
    await takeTurn(runId)
    await askToStop(runId, who.name)
    await addJob('send-run', { runId })
    publish('run', [runId])
  })
}

async function leaveOut(runId: number, reason: Told): Promise<void> {
  await skipOpen(runId, reason)
  publish('run', [runId])
  publish('line')
}

/** Issues the run's papers batch by batch until none is open; safe to call again at any time. */
export async function continueRun(runId: number): Promise<void> {
  try {
    while (await issueNextBatch(runId)) publish('run', [runId])
  } catch (error) {
    if (!(error instanceof Paused)) throw error
  }
  publish('run', [runId])
}

/**
 * One batch, or the end of the run, in one transaction that holds the run: two jobs take turns, Stop waits for
 * the batch that is being written and comes before the next, and the report is what was committed.
 * @returns whether there may be more
 */
async function issueNextBatch(runId: number): Promise<boolean> {
  return inTransaction(async () => {
    await takeTurn(runId)
    const header = await lockRun(runId)
    if (!header || header.endedAt || header.goesAt > clock.now()) return false
    if (header.stopAsked) {
      await leaveOut(
        runId,
        header.stoppedBy
          ? told('run/stopped', { person: header.stoppedBy })
          : told('run/stopped-by-somebody'),
      )
      await endRun(runId)
      return false
    }
    const batch = await nextOfRun(runId, sendBatch)
    if (batch.length > 0)
      await issueInOneTransaction(
        batch,
        inTheNameOf(header.startedBy),
        (results) => keepOutcomes(runId, results),
        {
          ...header,
          gatherAs: gatherAs(runId),
        },
      )
    if (batch.length === sendBatch) return true
    await endRun(runId)
    return false
  })
}

const gatherAs = (runId: number) => `run ${runId}`

async function endRun(runId: number): Promise<void> {
  await closeGathering(gatherAs(runId))
  await endOpenRun(runId, clock.now())
}

async function keepOutcomes(runId: number, results: IssueResult[]): Promise<void> {
  await keepRunOutcomes(runId, results)
}
