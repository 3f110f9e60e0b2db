import { lifecycle } from '../lifecycle'
import { Decimal, moneyText, type Currency, type DecimalText } from '../money/decimal'
import type { ContactRole } from '../preferences/recipients'
import type { SendingHours, Trust } from '../routines/sentence'
import type { Misfit } from './carriers'
import type { Size } from './parcels'
import type { ParcelWay } from './tracking'

/**
 * A label as it is bought of a carrier. "asked": to be booked. "booking": its key was written down and the carrier is
 * being called: from then on it may have been bought. "unclear": nobody knows whether it was. "made": the carrier has
 * it. "cancelling": it is to be given back. "refused": it was not bought, and why is said. "closed": nobody wants it
 * any more.
 */
export const labelStates = [
  'asked',
  'booking',
  'unclear',
  'made',
  'cancelling',
  'cancelled',
  'refused',
  'closed',
] as const
export type LabelState = (typeof labelStates)[number]

export type LabelEvent =
  | 'book'
  /** The carrier certainly did not get it: it is asked for again later. */
  | 'wait'
  | 'lose'
  /** The carrier was asked in vain, and is again. */
  | 'ask'
  | 'have'
  | 'refuse'
  | 'cancel'
  /** Taken back before the carrier was called. */
  | 'withdraw'
  | 'given back'
  /** The carrier does not take it back. */
  | 'keep'
  | 'close'

export const labelLifecycle = lifecycle<LabelState, LabelEvent>({
  asked: { book: 'booking', ask: 'asked', refuse: 'refused', withdraw: 'closed' },
  booking: { wait: 'asked', lose: 'unclear', have: 'made', refuse: 'refused' },
  unclear: { ask: 'unclear', have: 'made', refuse: 'refused' },
  made: { cancel: 'cancelling' },
  cancelling: { ask: 'cancelling', 'given back': 'cancelled', keep: 'made' },
  cancelled: {},
  refused: { close: 'closed' },
  closed: {},
})

/** Those that keep another from being bought for the same parcel. */
export const standingLabelStates: readonly LabelState[] = [
  'asked',
  'booking',
  'unclear',
  'made',
  'cancelling',
]

/** Those in which it is not decided yet whether there is a label. */
export const openLabelStates: readonly LabelState[] = ['asked', 'booking', 'unclear']

/** Why there is no label: a misfit of ours, or what the carrier answered. */
export const labelFailures = [
  'country',
  'address',
  'weight',
  'size',
  'price',
  'not weighed',
  'no service',
  'no answer',
  'sign-in',
  'inside',
  'not bought',
  'not understood',
] as const
export type LabelFailure = (typeof labelFailures)[number]

export const misfitFailure = (misfit: Misfit): LabelFailure => misfit

/** Seconds until the carrier is called once more after so many calls without an answer: a minute to half an hour. */
export const callAgainAfter = (tries: number): number => Math.min(60 * 2 ** Math.max(0, tries - 1), 1800)

/** After so many calls without an answer a label is refused, so that a person decides: about four hours. */
export const mostCalls = 12

/** What a carrier is asked for a label, as it was when it was asked. Kilograms, millimetres. */
export interface AskedOfCarrier {
  /** As printed, the name first. */
  to: string[]
  /** Who sends it, where the house does not. */
  from?: string[]
  /** Of the customer's end of the way, ISO 3166-1 alpha-2. */
  country: string
  weight: DecimalText
  size: Size | null
  order: string
  isReturn: boolean
}

/** How the document of a label goes on once all labels of its shipment are there. */
export interface GoesOn {
  /** Null where a person made them. */
  routine: { id: number; version: number } | null
  role: ContactRole
  copyTo: string[]
  trust: Trust
  delayMinutes: number
  hours: SendingHours | null
  /** Somebody read that the order is held or withdrawn, and wants them all the same. */
  despite?: boolean
}

/** A label as its carrier charges for it. */
export interface Charged {
  price: DecimalText | null
  currency: Currency | null
  isReturn?: boolean
  way: ParcelWay | null
}

/** Whether a label costs anything by now: one by which goods come back costs only once it is used. */
export const isCharged = ({ isReturn, way }: Pick<Charged, 'isReturn' | 'way'>): boolean =>
  !isReturn || (way !== null && way !== 'announced')

/** What labels cost together, by currency; those without a price cost nothing that is known. */
export function costOf(labels: readonly Charged[]): Cost[] {
  const sums = new Map<Currency, Decimal>()
  for (const { price, currency, ...label } of labels)
    if (price !== null && currency !== null && isCharged(label))
      sums.set(currency, (sums.get(currency) ?? new Decimal(0)).plus(price))
  return [...sums].map(([currency, sum]) => ({ currency, amount: moneyText(sum, currency) }))
}

export interface Cost {
  amount: DecimalText
  currency: Currency
}
