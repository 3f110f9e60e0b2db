import { kindFacts, type DocumentKind } from '../documents/kinds'
import { Decimal } from '../money/decimal'
import { conditionWords, plainName, type ChoiceSubject, type Condition } from './conditions'
import {
  eventOf,
  eventWords,
  goodsMoments,
  isOfGoods,
  type GoodsMoment,
  type RoutineSentence,
} from './sentence'

/**
 * What happened and the facts at that moment, as the event row keeps them (schema 4: accounts at a time, shipments; 3:
 * posting and payments; 2: net, customer, items, fields).
 */
export interface EventFacts {
  /** The order's number; empty where there is no order. */
  order: string
  /** The order's status before and after. */
  from?: string
  to?: string
  /** What was done with goods of the order. */
  shipment?: GoodsMoment
  /** The kind and number of the document that was posted. */
  posted?: DocumentKind
  number?: string
  /** The kind of the receipt that what was recorded calls for. */
  receipt?: DocumentKind
  /** At a time: when, which of the account's documents is meant, and that the clock made it and no person. */
  moment?: string
  occasion?: string
  byClock?: true
  /** The house packed it for a routine that waited for a status, and no person. */
  byStatus?: true
  /** Of an account: what is open in all, and past due. */
  balance?: string
  overdue?: string
  /** For how many days the oldest of what is past due is late; 0 where nothing is. */
  late?: number
  total: string
  net?: string
  currency: string
  brand: string
  /** The customer's number. */
  customer?: string
  group: string
  country: string
  salesperson: string
  items?: string[]
  /** The house's own fields of the order, or of an account's customer; those left empty are missing. */
  fields?: Record<string, string>
}

export interface ConditionSeen {
  words: string
  holds: boolean
  seen: string
}

/** Why a routine acted or did not: each condition with yes or no and the value seen. */
export interface Verdict {
  applies: boolean
  seen: ConditionSeen[]
}

const notKept = 'not kept then'

function valuesOf(about: ChoiceSubject, facts: EventFacts): string[] | undefined {
  if (about === 'item') return facts.items
  const value = facts[about]
  return value === undefined ? undefined : [value]
}

/** One condition's answer. A fact that the event did not keep never lets a condition hold, not even "not". */
function answer(condition: Condition, facts: EventFacts): ConditionSeen {
  const words = conditionWords(condition)
  if (condition.about === 'total') {
    const amount = facts[condition.of === 'gross' ? 'total' : condition.of]
    if (amount === undefined) return { words, holds: false, seen: notKept }
    const seen = `${amount} ${facts.currency}`
    if (facts.currency !== condition.currency) return { words, holds: false, seen }
    const over = new Decimal(amount).gt(condition.amount)
    return { words, holds: condition.is === 'over' ? over : !over, seen }
  }
  if (condition.about === 'late') {
    if (facts.late === undefined) return { words, holds: false, seen: notKept }
    const over = facts.late > Number(condition.days)
    return { words, holds: condition.is === 'over' ? over : !over, seen: `${facts.late} days` }
  }
  if (condition.about === 'field') {
    if (!facts.fields) return { words, holds: false, seen: notKept }
    const value = facts.fields[condition.field]?.trim() ?? ''
    const wanted = condition.value.trim().toLowerCase()
    const holds = {
      filled: value !== '',
      empty: value === '',
      contains: value.toLowerCase().includes(wanted),
      is: value.toLowerCase() === wanted,
    }[condition.is]
    return { words, holds, seen: value || 'empty' }
  }
  const { about } = condition
  const values = valuesOf(about, facts)
  if (!values) return { words, holds: false, seen: notKept }
  const among = values.some((value) => condition.values.includes(value))
  return {
    words,
    holds: condition.is === 'not' ? !among : among,
    seen:
      values
        .slice(0, 6)
        .map((value) => plainName(about, value))
        .join(', ') + (values.length > 6 ? ` and ${values.length - 6} more` : ''),
  }
}

/** Whether it is the event that the sentence waits for. */
function happened(sentence: RoutineSentence, facts: EventFacts): ConditionSeen {
  const words = eventWords(sentence)
  const event = eventOf(sentence)
  if (event === 'order status')
    return {
      words: `the order becomes ${sentence.statuses.join(' or ')}`,
      holds: facts.to !== undefined && sentence.statuses.includes(facts.to),
      seen: facts.to ?? 'something else',
    }
  if (event === 'time')
    return { words, holds: facts.moment !== undefined, seen: facts.moment ?? 'something else' }
  if (isOfGoods(event))
    return {
      words,
      holds: facts.shipment === goodsMoments[event].moment,
      seen: facts.shipment ?? 'something else',
    }
  const kind = event === 'posted' ? facts.posted : facts.receipt
  return {
    words,
    holds: kind === sentence.issue,
    seen: kind ? eventWords({ on: event, issue: kind, statuses: [] }) : 'something else',
  }
}

/** Whether a routine applies to an event, with every condition's answer. */
export function judge(sentence: RoutineSentence, facts: EventFacts): Verdict {
  const seen = [
    happened(sentence, facts),
    ...sentence.conditions.map((condition) => answer(condition, facts)),
  ]
  return { applies: seen.every((one) => one.holds), seen }
}

/**
 * Once is decided by the subject: the claim's key. The occasion of an invoice is the shipment; until orders
 * ship in parts there is one.
 * A confirmation's is the order's revision: an order whose lines changed may be confirmed anew. An update's is the
 * status that it tells of.
 */
export function occasionOf(kind: DocumentKind, of: { revision: number; status: string }): string {
  if (kindFacts[kind].isUpdate) return `${statusWord}${of.status}`
  return kindFacts[kind].needsSupply ? 'whole order' : `revision ${of.revision}`
}

const statusWord = 'status '

/** The status that an update tells of, from its occasion; null where none is said. */
export const statusOfOccasion = (occasion: string): string | null =>
  occasion.startsWith(statusWord) ? occasion.slice(statusWord.length) : null

/** The occasion that an event asks for; '' where the document says it itself. */
export const occasionAsked = (kind: DocumentKind, { occasion = '', to }: EventFacts): string =>
  kindFacts[kind].isUpdate && to !== undefined ? `${statusWord}${to}` : occasion
