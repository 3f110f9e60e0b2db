import type { CreationAttributes } from 'sequelize'
import { occasionAsked, judge, type EventFacts, type Verdict } from '../../../core/routines/routine'
import { eventOf, packsFirst, type RoutineSentence, type Trust } from '../../../core/routines/sentence'
import { groupBy } from '../../../core/group'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction, json } from '../../db/connection'
import { Evaluation } from '../../db/models'
import { deliver } from '../dispatch/deliver'
import { ClaimLost, keepDrafts, type ToKeep } from '../documents/prepare'
import { makeAll, type MadeDocument } from '../documents/make-papers'
import type { Addressing } from '../documents/paper-context'
import { lockSources, sourceOf } from '../documents/sources'
import { company } from '../house/house'
import { reverseWithdrawn } from '../orders/withdrawn'
import { publish } from '../live/publish'
import { note } from '../history/history'
import {
  type RoutineRow,
  lockEvents,
  eventKinds,
  routinesToAsk,
  type EventRow,
  markLookedAt,
  postedDocument,
  keepUndeliveredRoutine,
} from './queries'
import { labelFor, packFor } from '../shipping/for-routines'
import { inTheNameOf } from '../people/principal'

/*
 * Lets the routines look at events: judges each condition, prepares what is due or sends what was posted, and
 * keeps why.
 * Called by look-at-events with ids, and by the sweeper for events nobody has looked at.
 * Dies half-way: each event is looked at in one transaction, so it is either seen with all that followed, or
 * not at all.
 * Refuses: nothing. An event that came before a routine applied is seen and passed by, unless a person asked
 * this routine to catch up.
 */
interface Judged {
  routine: RoutineRow
  verdict: Verdict
}

type AllJudged = ReadonlyMap<number, readonly Judged[]>

type AllMade = Map<string, Map<number, MadeDocument>>

interface Result {
  outcome: string
  reason: Told | null
}

export async function lookAtEvents(eventIds: readonly number[]): Promise<void> {
  const events = await lockEvents(eventIds, Object.keys(eventKinds))
  if (events.length === 0) return
  const routines = await routinesToAsk()
  const judged = new Map(
    events.map((event) => [
      event.id,
      routines
        .filter((routine) => concerns(routine, event))
        .map((routine) => ({ routine, verdict: judge(routine.sentence, event.facts) })),
    ]),
  )
  const wanted = events.flatMap((event) => wantedBy(event, judged.get(event.id)!))
  const laidOut = await makeFor(wanted)
  const { withdrawnStatuses, withdrawnRule } = await company()
  const withdrawn = events.filter(
    (event) =>
      event.kind === 'order status' &&
      withdrawnStatuses.includes(event.facts.to!) &&
      event.onlyRoutine === null,
  )
  // before the event counts as seen; settling what is settled does nothing
  if (withdrawnRule === 'settle')
    await reverseWithdrawn(
      { orderIds: withdrawn.map((event) => event.sourceId) },
      inTheNameOf('Clothespin, by the house’s rule'),
    )
  try {
    await inTransaction(() => lookAtAll(events, judged, laidOut))
  } catch {
    // one of them stands in the way: each by itself, and built anew where its source moved on
    for (const event of events) await lookAtOne(event, judged, laidOut)
  }
}

/** A routine looks at what happened since it was switched on; catching up is one routine's alone. */
function concerns(routine: RoutineRow, event: EventRow): boolean {
  // what was packed for a routine that waits for a status is that one's alone
  if (event.facts.byStatus) return event.onlyRoutine === routine.id && routine.isOn
  if (eventOf(routine.sentence) !== eventKinds[event.kind]) return false
  if (event.onlyRoutine !== null)
    return event.onlyRoutine === routine.id && (isCaughtUp(event) || routine.isOn)
  return routine.isOn && routine.appliesSince !== null && routine.appliesSince <= event.at
}

/** Whether a person asked one routine to look at it; what the clock or the house shows it is nobody's catching up. */
const isCaughtUp = ({ onlyRoutine, facts }: EventRow) =>
  onlyRoutine !== null && !facts.byClock && !facts.byStatus

const addressingOf = (sentence: RoutineSentence): Addressing => ({
  role: sentence.to,
  copyTo: sentence.copyTo ?? [],
})

const madeKey = (sentence: RoutineSentence, facts: EventFacts) =>
  json([eventOf(sentence), sentence.issue, addressingOf(sentence), occasionAsked(sentence.issue, facts)])

interface Wanted {
  subject: number
  sentence: RoutineSentence
  facts: EventFacts
}

/** The papers that an event calls for; what was posted is a document already. */
function wantedBy(event: EventRow, judged: readonly Judged[]): Wanted[] {
  return event.kind === 'document issued'
    ? []
    : judged
        .filter((one) => one.verdict.applies && !isActOfShipping(event, one.routine))
        .map(({ routine }) => ({ subject: event.sourceId, sentence: routine.sentence, facts: event.facts }))
}

/** Packing for a status and buying labels: the document follows once that is done. */
const isActOfShipping = ({ kind }: EventRow, { sentence }: RoutineRow): boolean =>
  (kind === 'order status' && packsFirst(sentence)) ||
  (kind === 'shipment packed' && sentence.issue === 'shipping label')

/** What shipping does at the word of a routine, in the caller's transaction. */
function shipFor(event: EventRow, routine: RoutineRow): Promise<Result> {
  if (event.kind === 'order status') return packFor(event.sourceId, routine, event.facts)
  return labelFor(event.sourceId, {
    ...routine,
    trust: trustIn(event, routine),
    addressing: addressingOf(routine.sentence),
  })
}

/** Documents of all that is wanted, made together by kind and addressing. */
async function makeFor(wanted: readonly Wanted[]): Promise<AllMade> {
  const laidOut: AllMade = new Map()
  for (const [key, group] of groupBy(wanted, (one) => madeKey(one.sentence, one.facts))) {
    const { sentence, facts } = group[0]!
    const subjects = [...new Set(group.map((one) => one.subject))]
    const occasion = occasionAsked(sentence.issue, facts)
    laidOut.set(key, await makeAll(sentence.issue, subjects, addressingOf(sentence), occasion))
  }
  return laidOut
}

async function lookAtOne(event: EventRow, judged: AllJudged, laidOut: AllMade, again = true): Promise<void> {
  try {
    await inTransaction(() => lookAtAll([event], judged, laidOut))
  } catch (error) {
    if (!again || !(error instanceof ClaimLost || error instanceof Outdated)) throw error
    const anew = await makeFor(wantedBy(event, judged.get(event.id)!))
    await lookAtOne(event, judged, anew, false)
  }
}

/** Looks at events in the caller's transaction: those that somebody else has looked at are left alone. */
async function lookAtAll(events: readonly EventRow[], judged: AllJudged, laidOut: AllMade): Promise<void> {
  const now = clock.now()
  const versions = await lockSources(
    events.filter((event) => event.kind !== 'document issued').map((event) => event.sourceId),
  )
  const taken = await markLookedAt(
    events.map((event) => event.id),
    now,
  )
  const mine = new Set(taken.map(({ id }) => id))
  const looked = events
    .filter((event) => mine.has(event.id))
    .flatMap((event) => judged.get(event.id)!.map((one) => ({ event, ...one })))
  const resultOf = new Map<object, Result>(await refusedAmong(looked))
  for (const one of looked)
    if (one.verdict.applies && isActOfShipping(one.event, one.routine))
      resultOf.set(one, await shipFor(one.event, one.routine))
  const kept = looked.filter(
    (one) => one.verdict.applies && one.event.kind !== 'document issued' && !resultOf.has(one),
  )
  const prepared = await keepDrafts(
    kept.map(({ event, routine }) => toKeep(event, routine, laidOut, versions.get(event.sourceId))),
  )
  kept.forEach((one, index) => resultOf.set(one, prepared[index]!))
  const evaluations: CreationAttributes<Evaluation>[] = []
  for (const one of looked) {
    const { event, routine, verdict } = one
    const result = resultOf.get(one) ?? (verdict.applies ? await sendPosted(event, routine) : notApplied)
    evaluations.push({
      eventId: event.id,
      sourceId: event.sourceId,
      routineId: routine.id,
      routineVersion: routine.version,
      outcome: result.outcome,
      reason: result.reason,
      seen: verdict.seen,
      at: now,
    })
    if (result.outcome === 'already')
      await note(
        { sourceId: event.sourceId, documentId: event.documentId ?? undefined },
        routine.name,
        result.reason!,
      )
  }
  await Evaluation.bulkCreate(evaluations)
  publish('order', [...new Set(events.map((event) => event.rootId))])
}

/** Accounts of which one letter waits already: a second would ask for the same. */
async function refusedAmong<Looked extends Judged & { event: EventRow }>(
  looked: readonly Looked[],
): Promise<[Looked, Result][]> {
  const ofAccounts = looked.filter(({ event, verdict }) => verdict.applies && event.kind === 'account')
  const found: [Looked, Result][] = []
  for (const [kind, own] of groupBy(ofAccounts, ({ routine }) => routine.sentence.issue)) {
    const ids = own.map(({ event }) => event.sourceId)
    const waiting = (await sourceOf('account').waiting?.(kind, ids)) ?? []
    const reasons = new Map(waiting.map(({ id, reason }) => [id, reason]))
    for (const one of own) {
      const reason = reasons.get(one.event.sourceId)
      if (reason) found.push([one, { outcome: 'already', reason }])
    }
  }
  return found
}

const notApplied: Result = { outcome: 'did not apply', reason: null }

/** The order moved on between the draft and the transaction. */
class Outdated extends Error {}

/** Nothing that was caught up goes by itself: nobody is surprised by old mail. */
const trustIn = (event: EventRow, { trust }: RoutineRow): Trust =>
  isCaughtUp(event) && trust === 'automatic' ? 'after a check' : trust

/** @throws Outdated where the source moved on since its document was made */
function toKeep(event: EventRow, routine: RoutineRow, laidOut: AllMade, version: number | undefined): ToKeep {
  const { sentence } = routine
  const made = laidOut.get(madeKey(sentence, event.facts))!.get(event.sourceId)!
  if (made.context.builtFrom.order !== version)
    throw new Outdated('the order changed while its paper was drafted')
  return {
    made,
    asked: {
      kind: sentence.issue,
      addressing: addressingOf(sentence),
      trust: trustIn(event, routine),
      delayMinutes: sentence.delayMinutes,
      hours: sentence.hours ?? null,
      routine: { id: routine.id, version: routine.version },
      who: inTheNameOf(routine.name),
    },
  }
}

/**
 * A routine on posting sends that very document and makes none. Before a check, it is named in To send and a
 * person sends it.
 */
async function sendPosted(event: EventRow, routine: RoutineRow): Promise<Result> {
  const document = (await postedDocument(event.documentId))!
  const { number } = document
  if (document.voided) return { outcome: 'not wanted', reason: told('looked/voided', { number }) }
  if (document.preferences[document.kind]?.channel === 'nothing')
    return { outcome: 'not wanted', reason: told('looked/wants-none', { customer: document.customerName }) }
  if (!document.unsent) return { outcome: 'already', reason: told('looked/on-its-way', { number }) }
  if (routine.trust !== 'automatic') {
    await keepUndeliveredRoutine(event.documentId, routine.id)
    return {
      outcome: 'due',
      reason: told('looked/waits', { number, routine: routine.name }),
    }
  }
  if (!(await deliver(event.documentId!, routine.sentence, inTheNameOf(routine.name))))
    return { outcome: 'already', reason: told('looked/on-its-way', { number }) }
  return { outcome: 'sent', reason: told('looked/sent', { number }) }
}
