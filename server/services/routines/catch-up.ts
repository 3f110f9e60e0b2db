import { Refusal } from '../../../core/errors'
import { eventOf, type RoutineSentence } from '../../../core/routines/sentence'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { type Principal, theHouse } from '../people/principal'
import { routineSentence, missed, most, insertCatchUpEvents } from './queries'

/*
 * Catching up: older orders or payments that a routine would have taken, offered in a range and after a look,
 * then prepared in order.
 * Called from the routine's page. What was caught up always waits for a check: nobody is surprised by old mail.
 * Dies half-way: the chosen orders' events are one transaction with their jobs; each is then looked at like
 * any event.
 * Refuses: an order that already has its paper, one the sentence does not take.
 */

/** `id` is the order's or the payment's. */
export interface Missed {
  id: number
  number: string
  customerName: string
  total: string
  currency: string
  reachedAt: Date
}

async function routineOf(id: number): Promise<{ name: string; sentence: RoutineSentence }> {
  const routine = await routineSentence(id)
  if (!routine) throw new Refusal('no-such-routine', { status: 404 })
  return routine
}

/** What catching up would prepare. */
export async function lookBack(id: number, from: string, to: string, who = theHouse): Promise<Missed[]> {
  const { sentence } = await routineOf(id)
  return (await missed(sentence, from, to, who))
    .slice(0, most)
    .map(({ id, number, customerName, total, currency, reachedAt }) => ({
      id,
      number,
      customerName,
      total,
      currency,
      reachedAt,
    }))
}

/** Has the routine take the chosen older orders. @returns how many it will look at */
export async function catchUp(
  id: number,
  range: { from: string; to: string },
  ids: readonly number[],
  who: Principal,
): Promise<number> {
  return inTransaction(async () => {
    const { name, sentence } = await routineOf(id)
    const chosen = new Set(ids)
    const taken = (await missed(sentence, range.from, range.to, theHouse)).filter((row) => chosen.has(row.id))
    if (taken.length === 0) throw new Refusal('nothing-missed', { values: { issue: sentence.issue } })
    const ofPayment = eventOf(sentence) === 'payment'
    const events = await insertCatchUpEvents(ofPayment, {
      taken: taken.map(({ id: subject, facts }, place) => ({ id: subject, facts, place })),
      now: clock.now(),
      actor: who.name,
      routineId: id,
    })
    await addJobs(
      'look-at-events',
      events.map((event) => event.id),
      25,
      (eventIds) => ({ eventIds }),
    )
    if (!ofPayment)
      await noteAll(
        taken.map((row) => ({
          sourceId: row.id,
          actor: who.name,
          words: `“${name}” was asked to catch up on this order's ${sentence.issue}.`,
        })),
      )
    publish('line')
    return taken.length
  })
}
