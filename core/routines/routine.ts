import { Decimal } from '../money/decimal'
import type { DocumentKind } from '../documents/paper'

export type Trust = 'by hand' | 'after a check' | 'by itself'
export const trusts: readonly Trust[] = ['by hand', 'after a check', 'by itself']

/** The sentence of a routine: when … and …, issue …, write to …, let it go …. */
export interface RoutineSentence {
  /** Statuses that an order must reach. */
  statuses: string[]
  conditions: Condition[]
  issue: DocumentKind
  /** Role of the contact it is written to. */
  to: 'billing' | 'buying' | 'goods-in'
  /** Minutes it waits after issue before it goes. */
  delayMinutes: number
}

export type Condition =
  | { about: 'total', is: 'over' | 'at most', amount: string, currency: string }
  | { about: 'brand', is: 'one of', values: string[] }
  | { about: 'group', is: 'one of', values: string[] }
  | { about: 'country', is: 'one of' | 'not', values: string[] }
  | { about: 'salesperson', is: 'one of', values: string[] }

/** The facts of an order at the moment of the event, as its event row keeps them. */
export interface OrderEventFacts {
  order: string
  from: string
  to: string
  total: string
  currency: string
  brand: string
  group: string
  country: string
  salesperson: string
}

export interface ConditionSeen { words: string, holds: boolean, seen: string }

/** Why a routine acted or did not: each condition with yes or no and the value seen. */
export interface Verdict { applies: boolean, seen: ConditionSeen[] }

/** The words of a condition as they stand in the sentence. */
export function conditionWords(condition: Condition): string {
  switch (condition.about) {
    case 'total': return `its total is ${condition.is} ${condition.amount} ${condition.currency}`
    case 'brand': return `it is sold by ${condition.values.join(' or ')}`
    case 'group': return `its customer is in the group ${condition.values.join(' or ')}`
    case 'country': return condition.is === 'not' ? `it goes to another country than ${condition.values.join(' or ')}` : `it goes to ${condition.values.join(' or ')}`
    case 'salesperson': return `its salesperson is ${condition.values.join(' or ')}`
  }
}

function holds(condition: Condition, facts: OrderEventFacts): ConditionSeen {
  const words = conditionWords(condition)
  if (condition.about === 'total') {
    const seen = `${facts.total} ${facts.currency}`
    if (facts.currency !== condition.currency) return { words, holds: false, seen }
    const over = new Decimal(facts.total).gt(condition.amount)
    return { words, holds: condition.is === 'over' ? over : !over, seen }
  }
  const seen = facts[condition.about]
  const among = condition.values.includes(seen)
  return { words, holds: condition.is === 'not' ? !among : among, seen }
}

/** Whether a routine applies to an event, with every condition's answer. */
export function judge(sentence: RoutineSentence, facts: OrderEventFacts): Verdict {
  const reached: ConditionSeen = {
    words: `the order becomes ${sentence.statuses.join(' or ')}`,
    holds: sentence.statuses.includes(facts.to),
    seen: facts.to,
  }
  const seen = [reached, ...sentence.conditions.map(condition => holds(condition, facts))]
  return { applies: seen.every(one => one.holds), seen }
}

/** Once is decided by the subject: the claim's key. The occasion of an invoice is the shipment; until orders ship in parts there is one. */
export function occasionOf(_kind: DocumentKind): string {
  return 'whole order'
}
