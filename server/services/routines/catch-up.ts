import { addDays, dayInZone, instantInZone } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { occasionOf } from '../../../core/receivables/statement'
import { judge } from '../../../core/routines/routine'
import { eventOf, packsFirst, type RoutineSentence } from '../../../core/routines/sentence'
import { told, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { addJobs } from '../../queue/add'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { type Principal, theHouse } from '../people/principal'
import { occasionsTaken } from '../receivables/statement-queries'
import { accountsDue } from '../receivables/accounts-due'
import {
  insertCatchUpEvents,
  missedOrders,
  missedReceipts,
  missedDelivered,
  missedShipments,
  most,
  routineSentence,
  type MissedRow,
} from './catch-up-queries'
import { eventKindOf } from './queries'
import { momentWords, periodAtTurn, turnsOf } from './turns'

/*
 * Catching up: older orders, payments or accounts that a routine would have taken, offered in a range and after a look,
 * then prepared in order.
 * Called from the routine's page. What was caught up always waits for a check: nobody is surprised by old mail.
 * Dies half-way: the chosen orders' events are one transaction with their jobs; each is then looked at like
 * any event.
 * Refuses: an order that already has its paper, one the sentence does not take.
 */

/** `id` is the order's, the shipment's, the payment's or the account's. */
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

/** What the routine would have taken within the days and was not made. */
function missed(sentence: RoutineSentence, from: string, to: string, who: Principal): Promise<MissedRow[]> {
  switch (eventOf(sentence)) {
    case 'posted': // what is posted and not sent lies in To send
      return Promise.resolve([])
    case 'shipment':
    case 'shipment delivered':
    case 'parcel held':
      return missedShipments(sentence, from, to, who)
    case 'order delivered':
      return missedDelivered(sentence, from, to, who)
    case 'payment':
      return missedReceipts(sentence, from, to, who)
    case 'time':
      return missedAccounts(sentence, from, to, who)
    case 'order status':
      // goods are packed for what happens from now on; what is packed already is caught up with by the other moment
      if (packsFirst(sentence)) return Promise.resolve([])
      return missedOrders(sentence, from, to, who)
  }
}

/**
 * Accounts that were due at the last turn within the days and have no such document of it. A reminder asks for what
 * is past due now, whenever its turn was.
 */
async function missedAccounts(
  sentence: RoutineSentence,
  from: string,
  to: string,
  who: Principal,
): Promise<MissedRow[]> {
  const { timeZone: zone } = await company()
  const now = clock.now()
  const until = instantInZone(addDays(to, 1), '00:00', zone)
  const span = { after: instantInZone(from, '00:00', zone), until: until < now ? until : now }
  const turn = (await turnsOf(sentence, span, 1))[0]
  if (!turn) return []
  const day = sentence.issue === 'payment reminder' ? dayInZone(now, zone) : turn.day
  const period = periodAtTurn(sentence, day)
  const due = await accountsDue(sentence.issue, period, who)
  const ids = due.map((one) => one.id)
  const taken = new Set((await occasionsTaken(ids, sentence.issue, occasionOf(period))).map((one) => one.id))
  return due
    .filter((one) => !taken.has(one.id))
    .map(({ id, name, facts }) => ({
      id,
      number: facts.customer!,
      customerName: name,
      total: facts.total,
      currency: facts.currency,
      reachedAt: turn.at,
      facts: { ...facts, moment: momentWords(turn.at, { zone }) },
      revision: 1,
      status: '',
      occasions: null,
    }))
    .filter((row) => judge(sentence, row.facts).applies)
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
    const events = await insertCatchUpEvents(eventKindOf[eventOf(sentence)], {
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
    if (eventOf(sentence) === 'order status')
      await noteAll(
        taken.map((row) => ({
          sourceId: row.id,
          actor: who.name,
          ...told('looked/caught-up', { routine: name, kind: toldKind(sentence.issue) }),
        })),
      )
    publish('line')
    return taken.length
  })
}
