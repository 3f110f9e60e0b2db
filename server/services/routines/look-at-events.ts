import { judge, type OrderEventFacts, type Verdict } from '../../../core/routines/routine'
import type { RoutineSentence, Trust } from '../../../core/routines/sentence'
import { groupBy } from '../../../core/group'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { ClaimLost, draftPapers, keepDraft, type Draft } from '../documents/prepare'
import type { Addressing } from '../documents/context'
import { publish } from '../live/publish'
import { note } from '../trail/trail'

/*
 * Lets the routines look at events: judges each condition, prepares what is due, and keeps why.
 * Called by look-at-events with ids, and by the sweeper for events nobody has looked at.
 * Dies half-way: each event is looked at in one transaction, so it is either seen with all that followed, or not at all.
 * Refuses: nothing. An event that came before a routine applied is seen and passed by, unless a person asked this routine to catch up.
 */

interface EventRow { id: number, orderId: number, facts: OrderEventFacts, at: Date, actor: string, onlyRoutine: number | null }
interface RoutineRow { id: number, name: string, version: number, trust: Trust, sentence: RoutineSentence, isOn: boolean, appliesSince: Date | null }
interface Judged { routine: RoutineRow, verdict: Verdict }
type Drafts = Map<string, Map<number, Draft>>

export async function lookAtEvents(eventIds: readonly number[]): Promise<void> {
  const events = await rows<EventRow>(`select id, order_id "orderId", facts, at, actor, only_routine "onlyRoutine" from event
    where id = any($1::int[]) and looked_at is null and kind = 'order status' order by id`, [eventIds])
  if (events.length === 0) return
  const routines = await rows<RoutineRow>(`select id, name, version, trust, sentence, is_on "isOn", applies_since "appliesSince" from routine order by id`)
  const judged = new Map(events.map(event => [event.id, routines.filter(routine => concerns(routine, event)).map(routine => ({ routine, verdict: judge(routine.sentence, event.facts) }))]))
  const wanted = events.flatMap(event => judged.get(event.id)!.filter(one => one.verdict.applies).map(({ routine }) => ({ orderId: event.orderId, sentence: routine.sentence })))
  const drafts = await draftsFor(wanted)
  for (const event of events) await lookAtOne(event, judged.get(event.id)!, drafts)
}

/** A routine looks at what happened since it was switched on; catching up is one routine's alone. */
function concerns(routine: RoutineRow, event: EventRow): boolean {
  if (event.onlyRoutine !== null) return event.onlyRoutine === routine.id
  return routine.isOn && routine.appliesSince !== null && routine.appliesSince <= event.at
}

const addressingOf = (sentence: RoutineSentence): Addressing => ({ role: sentence.to, copyTo: sentence.copyTo ?? [] })
const draftKey = (sentence: RoutineSentence) => json([sentence.issue, addressingOf(sentence)])

/** Drafts of all wanted papers, laid out together by kind and addressing. */
async function draftsFor(wanted: readonly { orderId: number, sentence: RoutineSentence }[]): Promise<Drafts> {
  const drafts: Drafts = new Map()
  for (const [key, group] of groupBy(wanted, one => draftKey(one.sentence))) {
    const { sentence } = group[0]!
    drafts.set(key, await draftPapers(sentence.issue, [...new Set(group.map(one => one.orderId))], addressingOf(sentence)))
  }
  return drafts
}

async function lookAtOne(event: EventRow, judged: readonly Judged[], drafts: Drafts, again = true): Promise<void> {
  try {
    await inTransaction(async () => {
      const order = await one<{ version: number, status: string }>('select version, status from sales_order where id = $1 for share', [event.orderId])
      const taken = await run('update event set looked_at = $2 where id = $1 and looked_at is null', [event.id, clock.now()])
      if (taken === 0) return
      for (const { routine, verdict } of judged) {
        const result = verdict.applies ? await act(event, routine, drafts.get(draftKey(routine.sentence))!.get(event.orderId)!, order!.version) : { outcome: 'did not apply', reason: '' }
        await run(`insert into evaluation (event_id, order_id, routine_id, routine_version, outcome, reason, seen, at)
          values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8)`, [event.id, event.orderId, routine.id, routine.version, result.outcome, result.reason, json(verdict.seen), clock.now()])
        if (result.outcome === 'already') await note({ orderId: event.orderId }, routine.name, result.reason)
      }
      publish('order', [event.orderId])
    })
  } catch (error) {
    if (!again || !(error instanceof ClaimLost || error instanceof Outdated)) throw error
    const anew = await draftsFor(judged.filter(one => one.verdict.applies).map(({ routine }) => ({ orderId: event.orderId, sentence: routine.sentence })))
    await lookAtOne(event, judged, anew, false)
  }
}

/** The order moved on between the draft and the transaction. */
class Outdated extends Error {}

async function act(event: EventRow, routine: RoutineRow, made: Draft, version: number): Promise<{ outcome: string, reason: string }> {
  if (made.context.builtFrom.order !== version) throw new Outdated('the order changed while its paper was drafted')
  const { sentence } = routine
  return keepDraft({
    orderId: event.orderId, kind: sentence.issue, addressing: addressingOf(sentence), trust: event.onlyRoutine !== null && routine.trust === 'by itself' ? 'after a check' : routine.trust,
    delayMinutes: sentence.delayMinutes, hours: sentence.hours ?? null, routine: { id: routine.id, version: routine.version }, actor: routine.name,
  }, made)
}
