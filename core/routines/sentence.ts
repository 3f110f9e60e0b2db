import type { RelativePeriod } from '../receivables/relative-period'
import { checkCondition, isFilled, toldCondition, type ChoiceSubject, type Condition } from './conditions'
import { checkTime, toldTime, type TimePattern } from './time'
import {
  kindFacts,
  kindsOf,
  orderKinds,
  postedKinds,
  receiptKind,
  shipmentKinds,
  type DocumentKind,
} from '../documents/kinds'
import { isAddress, namedOnly, suppliedRoles, type ContactRole } from '../preferences/recipients'
import { badInput } from '../errors'
import { counted, joined, told, toldKind, type Told } from '../said/told'

export type Trust = 'by hand' | 'after a check' | 'automatic'
export const trusts: readonly Trust[] = ['by hand', 'after a check', 'automatic']

/**
 * What a routine waits for: an order's status, something about goods, a document being posted, a payment or refund
 * being recorded, or a time, at which it looks at every account.
 */
export const routineEvents = [
  'order status',
  'shipment',
  'shipment delivered',
  'order delivered',
  'parcel held',
  'posted',
  'payment',
  'time',
] as const
export type RoutineEvent = (typeof routineEvents)[number]

/** Moments of goods, by what waits for them. */
export const goodsMoments = {
  shipment: 'packed',
  'shipment delivered': 'delivered',
  'order delivered': 'all delivered',
  'parcel held': 'held',
} as const satisfies Partial<Record<RoutineEvent, string>>
export type GoodsEvent = keyof typeof goodsMoments
export type GoodsMoment = (typeof goodsMoments)[GoodsEvent]

export const isOfGoods = (event: RoutineEvent): event is GoodsEvent => event in goodsMoments

/** The sentence of a routine: when … and …, issue …, write to …, with a copy to …, let it go …. */
export interface RoutineSentence {
  /** An order's status where nothing is said. On "posted" it sends that very document and makes none. */
  on?: RoutineEvent
  /** Statuses of which an order must reach one; none for other events. */
  statuses: string[]
  conditions: Condition[]
  issue: DocumentKind
  /** Of "time": when, and what its statements are of. */
  at?: TimePattern
  period?: RelativePeriod
  /** Role of the contact it is written to. */
  to: ContactRole
  /** Addresses that get a copy (CC), or that it is written to where it is to nobody else. */
  copyTo?: string[]
  /** Of shipping labels: the service, where it is not the one at the shipment, of a rule, or the cheapest. */
  service?: string
  /** Minutes it waits after issue before it goes. */
  delayMinutes: number
  /** The hours in which mail may leave, in the house's zone; null at any time. */
  hours?: SendingHours | null
  /** Where it goes as a rehearsal, while the routine is tried: nothing is issued. Empty: for real. */
  rehearseTo?: string
}

/** Hours of the day as "08:00"; `from` is before `to`. */
export interface SendingHours {
  from: string
  to: string
  workdays: boolean
}

/** The sentence with the conditions that count. */
export const filledSentence = (sentence: RoutineSentence): RoutineSentence => ({
  ...sentence,
  conditions: sentence.conditions.filter(isFilled),
})

export const eventOf = (sentence: Pick<RoutineSentence, 'on'>): RoutineEvent => sentence.on ?? 'order status'

/** The kinds a routine can be about, by what it waits for. */
export const kindsOn: Readonly<Record<RoutineEvent, readonly DocumentKind[]>> = {
  'order status': [...orderKinds, ...shipmentKinds],
  shipment: shipmentKinds,
  // labels are bought before goods are on their way
  'shipment delivered': shipmentKinds.filter((kind) => kind !== 'shipping label'),
  // an update tells of a status
  'order delivered': orderKinds.filter((kind) => !kindFacts[kind].isUpdate),
  'parcel held': shipmentKinds.filter((kind) => kind !== 'shipping label'),
  posted: postedKinds,
  payment: kindsOf('payment'),
  time: kindsOf('account'),
}

/**
 * Whether a condition can be asked of what an event is about: an account has no items, an order no balance. A field is
 * the order's own, or of an account its customer's.
 */
export const canBeAsked = (condition: Condition, event: RoutineEvent): boolean => {
  const ofAccount = event === 'time'
  if (condition.about === 'total') return ofAccount === ['balance', 'overdue'].includes(condition.of)
  if (condition.about === 'late') return ofAccount
  return !(ofAccount && condition.about === 'item')
}

/** What it waits for: "an order becomes Shipped", "an invoice is posted", "a refund is recorded". */
export function toldEvent({
  issue,
  at,
  ...of
}: Pick<RoutineSentence, 'on' | 'statuses' | 'issue' | 'at'>): Told {
  const event = eventOf(of)
  if (isOfGoods(event)) return told(`event/${event}`)
  switch (event) {
    case 'order status':
      return told('event/status', { statuses: joined(of.statuses, 'list/or') })
    case 'posted':
      return told('event/posted', { kind: toldKind(issue, 'one') })
    case 'payment':
      return told(issue === receiptKind('out') ? 'event/refund' : 'event/payment')
    case 'time': {
      const kinds = toldKind(issue, 'many')
      return at ? told('event/time-at', { kinds, at: toldTime(at) }) : told('event/time', { kinds })
    }
  }
}

/** Whether its statements are of a period; a reminder is of the day itself. */
export const isOfPeriod = ({ on, issue }: Pick<RoutineSentence, 'on' | 'issue'>): boolean =>
  on === 'time' && issue === 'statement of account'

/** What it does then: "issue an invoice", or "send it" for what is posted. */
export function toldAct(sentence: Pick<RoutineSentence, 'on' | 'issue' | 'period' | 'service'>): Told {
  const { issue, period = 'open items' } = sentence
  const kind = toldKind(issue, 'one')
  switch (eventOf(sentence)) {
    case 'posted':
      return told('act/send')
    case 'time':
      return isOfPeriod(sentence)
        ? told('act/each-account-of', { kind, period: told(`period/${period}`) })
        : told('act/each-account', { kind })
    default: {
      const makes = issue === 'shipping label' ? toldLabels(sentence) : told('act/issue', { kind })
      return packsFirst(sentence) ? told('act/pack-first', { makes }) : makes
    }
  }
}

function toldLabels({ issue, service }: Pick<RoutineSentence, 'issue' | 'service'>): Told {
  const kinds = toldKind(issue, 'many')
  return service ? told('act/make-by', { kinds, service }) : told('act/make', { kinds })
}

/** Whether what is left of the order is packed first, so that there is something to make it of. */
export const packsFirst = (sentence: Pick<RoutineSentence, 'on' | 'issue'>): boolean =>
  eventOf(sentence) === 'order status' && shipmentKinds.includes(sentence.issue)

/** When it goes, as it stands in the sentence: "at once", "20 minutes later, on working days 08:00–17:00". */
export function toldWhen({ delayMinutes, hours }: Pick<RoutineSentence, 'delayMinutes' | 'hours'>): Told {
  const time = delayMinutes % 60 === 0 ? counted(delayMinutes / 60, 'hour') : counted(delayMinutes, 'minute')
  const parts = [
    ...(delayMinutes === 0 ? [] : [told('when/later', { time })]),
    ...(hours
      ? [told(hours.workdays ? 'when/workdays' : 'when/hours', { from: hours.from, to: hours.to })]
      : []),
  ]
  return parts.length === 0 ? told('when/at-once') : joined(parts, 'list/comma')
}

/** The whole sentence, for lists, versions and the history. */
export function toldSentence(
  sentence: RoutineSentence,
  nameOf?: (about: ChoiceSubject, value: string) => string | Told,
): Told {
  const parts = {
    event: toldEvent(sentence),
    conditions: sentence.conditions.reduceRight<Told | ''>(
      (rest, condition) => told('sentence/and', { first: toldCondition(condition, nameOf), rest }),
      '',
    ),
    act: toldAct(sentence),
    to: toldAddressees(sentence),
    when: toldWhen(sentence),
  }
  return sentence.rehearseTo
    ? told('sentence/rehearsed', { ...parts, address: sentence.rehearseTo })
    : told('sentence/whole', parts)
}

function toldAddressees({ to, copyTo = [] }: RoutineSentence): Told {
  const named = joined(copyTo, 'list/comma')
  if (to === namedOnly) return told('sentence/to-named', { named })
  return copyTo.length === 0
    ? told('sentence/to', { role: to })
    : told('sentence/to-and', { role: to, named })
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))

/**
 * Says everything that is wrong with a sentence before it is kept.
 * @throws Refusal "bad-sentence" with the part it is about
 */
export function checkSentence(
  sentence: RoutineSentence,
  orderStatuses: readonly string[],
  contactRoles: readonly ContactRole[] = suppliedRoles,
): void {
  const event = eventOf(sentence)
  if (!kindsOn[event].includes(sentence.issue))
    throw badInput('bad-sentence/kind', 'issue', { kind: kindFacts[sentence.issue].one })
  if (event === 'order status' && sentence.statuses.length === 0)
    throw badInput('bad-sentence/no-status', 'statuses')
  const unknown = sentence.statuses.find((status) => !orderStatuses.includes(status))
  if (unknown) throw badInput('bad-sentence/status', 'statuses', { status: unknown })
  if (event === 'time') checkTime(sentence.at)
  if (sentence.to === namedOnly && !sentence.copyTo?.length) throw badInput('bad-sentence/nobody', 'copyTo')
  if (sentence.to !== namedOnly && !contactRoles.includes(sentence.to))
    throw badInput('bad-sentence/role', 'to', { role: sentence.to, roles: contactRoles.join(', ') })
  for (const [index, condition] of sentence.conditions.entries()) {
    const field = `conditions.${index}`
    if (!canBeAsked(condition, event))
      throw badInput(event === 'time' ? 'bad-sentence/of-account' : 'bad-sentence/of-order', field)
    checkCondition(condition, field)
  }
  for (const address of sentence.copyTo ?? [])
    if (!isAddress(address)) throw badInput('bad-sentence/address', 'copyTo', { address })
  const { rehearseTo = '' } = sentence
  if (rehearseTo && sentence.issue === 'shipping label')
    throw badInput('bad-sentence/label-rehearsal', 'rehearseTo')
  if (rehearseTo && event === 'posted') throw badInput('bad-sentence/posted-rehearsal', 'rehearseTo')
  if (rehearseTo && !isAddress(rehearseTo))
    throw badInput('bad-sentence/address', 'rehearseTo', { address: rehearseTo })
  if (
    !Number.isInteger(sentence.delayMinutes) ||
    sentence.delayMinutes < 0 ||
    sentence.delayMinutes > 30 * 24 * 60
  )
    throw badInput('bad-sentence/delay', 'delayMinutes')
  if (sentence.hours && minutesOf(sentence.hours.from) >= minutesOf(sentence.hours.to))
    throw badInput('bad-sentence/hours', 'hours')
}
