import { judge, type OrderEventFacts, type RoutineSentence, type Trust, type Verdict } from '../../../core/routines/routine'
import { clock } from '../../clock'
import { inTransaction, json, one, rows, run } from '../../db/connection'
import { ClaimLost, draftPapers, keepDraft, type Draft } from '../documents/prepare'
import { publish } from '../live/publish'
import { note } from '../trail/trail'

/*
 * Lets the routines look at events: judges each condition, prepares what is due, and keeps why.
 * Called by look-at-events with ids, and by the sweeper for events nobody has looked at.
 * Dies half-way: each event is looked at in one transaction, so it is either seen with all that followed, or not at all.
 * Refuses: nothing. An event that came before a routine applied is seen and passed by.
 */

interface EventRow { id: number, orderId: number, facts: OrderEventFacts, at: Date, actor: string }
interface RoutineRow { id: number, name: string, version: number, trust: Trust, sentence: RoutineSentence, appliesSince: Date }

export async function lookAtEvents(eventIds: readonly number[]): Promise<void> {
  const events = await rows<EventRow>(`select id, order_id "orderId", facts, at, actor from event
    where id = any($1::int[]) and looked_at is null and kind = 'order status' order by id`, [eventIds])
  if (events.length === 0) return
  const routines = await rows<RoutineRow>(`select id, name, version, trust, sentence, applies_since "appliesSince" from routine where is_on order by id`)
  const verdicts = new Map(events.map(event => [event.id, routines
    .filter(routine => routine.appliesSince <= event.at)
    .map(routine => ({ routine, verdict: judge(routine.sentence, event.facts) }))]))
  const wanted = events.filter(event => verdicts.get(event.id)!.some(one => one.verdict.applies))
  const byRole = new Map<string, Map<number, Draft>>()
  for (const role of new Set(routines.map(routine => routine.sentence.to))) {
    byRole.set(role, await draftPapers('invoice', wanted.map(event => event.orderId), role))
  }
  for (const event of events) await lookAtOne(event, verdicts.get(event.id)!, byRole)
}

interface Judged { routine: RoutineRow, verdict: Verdict }

async function lookAtOne(event: EventRow, judged: Judged[], drafts: Map<string, Map<number, Draft>>, again = true): Promise<void> {
  try {
    await inTransaction(async () => {
      const order = await one<{ version: number, status: string }>('select version, status from sales_order where id = $1 for share', [event.orderId])
      const taken = await run('update event set looked_at = $2 where id = $1 and looked_at is null', [event.id, clock.now()])
      if (taken === 0) return
      for (const { routine, verdict } of judged) {
        const result = verdict.applies ? await act(event, routine, drafts.get(routine.sentence.to)!.get(event.orderId)!, order!.version) : { outcome: 'did not apply', reason: '' }
        await run(`insert into evaluation (event_id, order_id, routine_id, routine_version, outcome, reason, seen, at)
          values ($1, $2, $3, $4, $5, $6, $7::jsonb, $8)`, [event.id, event.orderId, routine.id, routine.version, result.outcome, result.reason, json(verdict.seen), clock.now()])
        if (result.outcome === 'already') await note({ orderId: event.orderId }, routine.name, result.reason)
      }
      publish('order', [event.orderId])
    })
  } catch (error) {
    if (!again || !(error instanceof ClaimLost || error instanceof Outdated)) throw error
    const anew = new Map<string, Map<number, Draft>>()
    for (const role of drafts.keys()) anew.set(role, await draftPapers('invoice', [event.orderId], role as RoutineSentence['to']))
    await lookAtOne(event, judged, anew, false)
  }
}

/** The order moved on between the draft and the transaction. */
class Outdated extends Error {}

async function act(event: EventRow, routine: RoutineRow, made: Draft, version: number): Promise<{ outcome: string, reason: string }> {
  if (made.context.builtFrom.order !== version) throw new Outdated('the order changed while its paper was drafted')
  return keepDraft({
    orderId: event.orderId, kind: routine.sentence.issue, role: routine.sentence.to, trust: routine.trust, delayMinutes: routine.sentence.delayMinutes,
    routine: { id: routine.id, version: routine.version }, actor: routine.name,
  }, made)
}
