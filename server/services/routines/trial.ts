import { dayInZone, addDays, type Day } from '../../../core/documents/days'
import { goesWithGoods, type DocumentKind } from '../../../core/documents/kinds'
import { judge, occasionAsked, type EventFacts } from '../../../core/routines/routine'
import {
  checkSentence,
  eventOf,
  goodsMoments,
  isOfGoods,
  type RoutineEvent,
  type RoutineSentence,
} from '../../../core/routines/sentence'
import { Decimal } from '../../../core/money/decimal'
import { raised, told, toldKind, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { company } from '../house/house'
import { theHouse, type Principal } from '../people/principal'
import { accountsDue } from '../receivables/accounts-due'
import { kindOfPeriod } from '../../../core/receivables/statement'
import { momentWords, periodAtTurn, turnsOf } from './turns'
import { deliveryOf } from '../../../core/dispatch/delivery'
import {
  eventsSince,
  type PastEvent,
  routinesSharing,
  type CustomerRow,
  customersWithContacts,
} from './queries'

/*
 * The trial: what a sentence would have done over the past days, judged on the events as they were, without doing it.
 * Called while a sentence is edited. Writes nothing. One query for the events, one for the customers they name; of a
 * routine of the clock, the books of its last turns.
 */

export interface TrialReason extends Told {
  count: number
}

export interface Trial {
  days: number
  /** Order events looked through. */
  looked: number
  /** Papers it would have made, each order once. */
  papers: number
  customers: number
  sums: { currency: string; sum: string }[]
  clean: number
  person: { count: number; reasons: TrialReason[] }
  stuck: { count: number; reasons: TrialReason[] }
  /** Papers by day, oldest first; `stuck` is part of `count`. */
  byDay: { day: Day; count: number; stuck: number }[]
  /** Other routines that are on and would take some of the same. */
  shared: { name: string; count: number }[]
  /** Beside the sentence that is live: papers more or fewer. */
  against: { more: number; fewer: number } | null
  /** Each once; `id` is the order's, the document's, the payment's or the account's. */
  orders: {
    id: number
    customerId: number
    number: string
    customerName: string
    total: string
    currency: string
    day: Day
    outcome: Outcome
    /** None where it would have gone. */
    reason: Told | null
  }[]
}

type Outcome = 'clean' | 'person' | 'stuck'

const mostShown = 500

/** @throws Refusal "bad-sentence" */
export async function tryOut(
  sentence: RoutineSentence,
  days: number,
  live: RoutineSentence | null,
  routineId: number | null = null,
  who = theHouse,
): Promise<Trial> {
  const { orderStatuses, contactRoles, timeZone, kindsOff } = await company()
  checkSentence(sentence, orderStatuses, contactRoles)
  const now = clock.now()
  const since = new Date(now.getTime() - days * 86_400_000)
  const statuses = [...new Set([...sentence.statuses, ...(live?.statuses ?? [])])]
  const event = eventOf(sentence)
  const events =
    event === 'time'
      ? await accountsThen(sentence, { after: since, until: now }, who)
      : await eventsSince(since, event, whatOf(event, sentence, statuses), who)
  const first = firstPerOrder(sentence, events)
  const customers = await customersOf(
    [...new Set([...first.values()].map((event) => event.customerId))],
    sentence.issue,
  )
  const today = dayInZone(now, timeZone)
  const byDay = new Map(
    Array.from({ length: days }, (_, index) => [addDays(today, index - days + 1), { count: 0, stuck: 0 }]),
  )
  const sums = new Map<string, Decimal>()
  const reasons: Record<Outcome, Map<string, TrialReason>> = {
    clean: new Map(),
    person: new Map(),
    stuck: new Map(),
  }
  const orders: Trial['orders'] = []
  for (const event of first.values()) {
    const customer = customers.get(event.customerId)!
    const { outcome, reason } = kindsOff.includes(sentence.issue)
      ? stuck(told('trial/kind-off', { kinds: raised(toldKind(sentence.issue, 'many')) }))
      : outcomeOf(sentence, event.facts, customer)
    const day = dayInZone(event.at, timeZone)
    if (reason) {
      const before = reasons[outcome].get(reason.words)?.count ?? 0
      reasons[outcome].set(reason.words, { ...reason, count: before + 1 })
    }
    const onDay = byDay.get(day)
    if (onDay) {
      onDay.count++
      if (outcome === 'stuck') onDay.stuck++
    }
    sums.set(event.facts.currency, (sums.get(event.facts.currency) ?? new Decimal(0)).plus(event.facts.total))
    orders.push({
      id: event.subject,
      customerId: event.customerId,
      number: event.facts.number ?? (event.facts.order || event.facts.receipt || event.facts.customer || ''),
      customerName: customer.name,
      total: event.facts.total,
      currency: event.facts.currency,
      day,
      outcome,
      reason,
    })
  }
  const counted = (outcome: Outcome) => ({
    count: orders.filter((order) => order.outcome === outcome).length,
    reasons: [...reasons[outcome].values()].sort((a, b) => b.count - a.count).slice(0, 6),
  })
  const before = live && eventOf(live) === eventOf(sentence) && firstPerOrder(live, events)
  return {
    days,
    looked: events.length,
    papers: first.size,
    customers: customers.size,
    clean: counted('clean').count,
    person: counted('person'),
    stuck: counted('stuck'),
    sums: [...sums]
      .map(([currency, sum]) => ({ currency, sum: sum.toFixed(2) }))
      .sort((a, b) => a.currency.localeCompare(b.currency)),
    byDay: [...byDay].map(([day, counts]) => ({ day, ...counts })),
    shared: await sharedWith(sentence, routineId, first),
    against: !before
      ? null
      : {
          more: [...first.keys()].filter((id) => !before.has(id)).length,
          fewer: [...before.keys()].filter((id) => !first.has(id)).length,
        },
    orders: orders.reverse().slice(0, mostShown),
  }
}

/**
 * Other routines that are on and would make the same kind for some of the same subjects: only one of them
 * makes each.
 */
async function sharedWith(
  sentence: RoutineSentence,
  routineId: number | null,
  first: ReadonlyMap<string, PastEvent>,
): Promise<{ name: string; count: number }[]> {
  const others = await routinesSharing(routineId)
  return others
    .filter(
      (other) => eventOf(other.sentence) === eventOf(sentence) && other.sentence.issue === sentence.issue,
    )
    .map((other) => ({
      name: other.name,
      count: [...first.values()].filter((event) => judge(other.sentence, event.facts).applies).length,
    }))
    .filter((other) => other.count > 0)
}

/** So many turns are played through: each reads the books of all accounts as they were. */
const turnsTried = 6

/** The accounts that its last turns would have been shown, as the books were on those days, the oldest first. */
async function accountsThen(
  sentence: RoutineSentence,
  span: { after: Date; until: Date },
  who: Principal,
): Promise<PastEvent[]> {
  const { timeZone: zone } = await company()
  const turns = await turnsOf(sentence, span, turnsTried)
  const found: PastEvent[] = []
  for (const { at, day } of turns.reverse()) {
    const period = periodAtTurn(sentence, day)
    const moment = momentWords(at, { zone })
    for (const { id, customerId, facts, once } of await accountsDue(kindOfPeriod(period), period, who))
      found.push({ subject: id, customerId, at, facts: { ...facts, moment }, once: `${id} ${once}` })
  }
  return found
}

/** The first event of each order, document or payment to which the sentence applies: "once" in a trial. */
function firstPerOrder(sentence: RoutineSentence, events: readonly PastEvent[]): Map<string, PastEvent> {
  const first = new Map<string, PastEvent>()
  for (const event of events) {
    const once = `${event.once} ${occasionAsked(sentence.issue, event.facts)}`
    if (!first.has(once) && judge(sentence, event.facts).applies) first.set(once, event)
  }
  return first
}

async function customersOf(ids: readonly number[], kind: DocumentKind): Promise<Map<number, CustomerRow>> {
  const found = await customersWithContacts(ids, kind)
  return new Map(found.map((customer) => [customer.id, customer]))
}

interface Fared {
  outcome: Outcome
  reason: Told | null
}

const stuck = (reason: Told): Fared => ({ outcome: 'stuck', reason })
const forAPerson = (reason: Told): Fared => ({ outcome: 'person', reason })

/** How the paper would have fared, with what is known of the customer today. */
function outcomeOf(sentence: RoutineSentence, facts: EventFacts, customer: CustomerRow): Fared {
  const { channel, lacks } = deliveryOf({
    contacts: customer.contacts,
    role: sentence.to,
    preference: customer.preferences[sentence.issue],
    copyTo: sentence.copyTo,
  })
  const { name } = customer
  const ofAccount = eventOf(sentence) === 'time'
  const total = new Decimal(facts.total)
  if (!customer.billing && !goesWithGoods(sentence.issue))
    return stuck(told('trial/no-address', { customer: name }))
  if (total.isNegative() && !ofAccount) return stuck(told('trial/below-zero'))
  if (channel === 'nothing')
    return forAPerson(told('trial/unwanted', { customer: name, kinds: toldKind(sentence.issue, 'many') }))
  if (channel === 'paper') return forAPerson(told('trial/paper'))
  if (lacks !== null) return stuck(told('trial/no-contact', { customer: name, role: lacks }))
  if (total.isZero() && !ofAccount) return forAPerson(told('trial/nothing-to-pay'))
  return { outcome: 'clean', reason: null }
}

/** What has to have happened for such a routine. */
function whatOf(
  event: RoutineEvent,
  { issue }: RoutineSentence,
  statuses: readonly string[],
): readonly string[] {
  if (isOfGoods(event)) return [goodsMoments[event]]
  return event === 'order status' ? statuses : [issue]
}
