import { kindFacts, type DocumentKind } from '../documents/kinds'
import { Decimal } from '../money/decimal'
import { asWritten, counted, joined, told, type Told } from '../said/told'
import { plainName, toldCondition, type ChoiceSubject, type Condition } from './conditions'
import {
  eventOf,
  goodsMoments,
  isOfGoods,
  toldEvent,
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
  asks: Told
  holds: boolean
  seen: Told
}

/** Why a routine acted or did not: each condition with yes or no and the value seen. */
export interface Verdict {
  applies: boolean
  seen: ConditionSeen[]
}

const notKept = () => told('seen/not-kept')

function valuesOf(about: ChoiceSubject, facts: EventFacts): string[] | undefined {
  if (about === 'item') return facts.items
  const value = facts[about]
  return value === undefined ? undefined : [value]
}

/** One condition's answer. A fact that the event did not keep never lets a condition hold, not even "not". */
function answer(condition: Condition, facts: EventFacts): ConditionSeen {
  const asks = toldCondition(condition)
  if (condition.about === 'total') {
    const amount = facts[condition.of === 'gross' ? 'total' : condition.of]
    if (amount === undefined) return { asks, holds: false, seen: notKept() }
    const seen = asWritten(`${amount} ${facts.currency}`)
    if (facts.currency !== condition.currency) return { asks, holds: false, seen }
    const over = new Decimal(amount).gt(condition.amount)
    return { asks, holds: condition.is === 'over' ? over : !over, seen }
  }
  if (condition.about === 'late') {
    if (facts.late === undefined) return { asks, holds: false, seen: notKept() }
    const over = facts.late > Number(condition.days)
    return { asks, holds: condition.is === 'over' ? over : !over, seen: counted(facts.late, 'day') }
  }
  if (condition.about === 'field') {
    if (!facts.fields) return { asks, holds: false, seen: notKept() }
    const value = facts.fields[condition.field]?.trim() ?? ''
    const wanted = condition.value.trim().toLowerCase()
    const holds = {
      filled: value !== '',
      empty: value === '',
      contains: value.toLowerCase().includes(wanted),
      is: value.toLowerCase() === wanted,
    }[condition.is]
    return { asks, holds, seen: value ? asWritten(value) : told('seen/empty') }
  }
  const { about } = condition
  const values = valuesOf(about, facts)
  if (!values) return { asks, holds: false, seen: notKept() }
  const among = values.some((value) => condition.values.includes(value))
  const some = joined(
    values.slice(0, 6).map((value) => plainName(about, value)),
    'list/comma',
  )
  return {
    asks,
    holds: condition.is === 'not' ? !among : among,
    seen: values.length > 6 ? told('seen/more', { values: some, n: values.length - 6 }) : some,
  }
}

/** Whether it is the event that the sentence waits for. */
function happened(sentence: RoutineSentence, facts: EventFacts): ConditionSeen {
  const asks = toldEvent(sentence)
  const other = () => told('seen/other')
  const event = eventOf(sentence)
  if (event === 'order status')
    return {
      asks: told('seen/becomes', { statuses: joined(sentence.statuses, 'list/or') }),
      holds: facts.to !== undefined && sentence.statuses.includes(facts.to),
      seen: facts.to === undefined ? other() : asWritten(facts.to),
    }
  if (event === 'time')
    return {
      asks,
      holds: facts.moment !== undefined,
      seen: facts.moment === undefined ? other() : asWritten(facts.moment),
    }
  if (isOfGoods(event))
    return {
      asks,
      holds: facts.shipment === goodsMoments[event],
      seen: facts.shipment === undefined ? other() : told(`seen/${facts.shipment}`),
    }
  const kind = event === 'posted' ? facts.posted : facts.receipt
  return {
    asks,
    holds: kind === sentence.issue,
    seen: kind ? toldEvent({ on: event, issue: kind, statuses: [] }) : other(),
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
