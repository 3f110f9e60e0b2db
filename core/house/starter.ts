import { told } from '../../core/said/told'
import type { Look } from '../designs/supplied'
import type { DocumentKind } from '../documents/kinds'
import { fromBraces } from '../emailtexts/braces'
import type { EmailText } from '../emailtexts/email-text'
import type { EmailPurpose } from '../emailtexts/purposes'
import { tidy } from '../emailtexts/nodes'
import type { Language } from '../money/format'
import type { NumberSeries } from '../numbering/series'
import type { RoutineSentence, Trust } from '../routines/sentence'
import texts from './starter-texts.json'

/*
 * What a house begins with: enough to send the first confirmation and invoice, each part to be changed later.
 */

/** The statuses of orders, and which of them stop what an order would send. */
export const starterStatuses = {
  all: ['Draft', 'Confirmed', 'In picking', 'Packed', 'Shipped', 'Closed', 'Held', 'Withdrawn'],
  held: ['Held'],
  withdrawn: ['Withdrawn'],
} as const

const textsOf: Record<EmailPurpose, Partial<Record<DocumentKind, Record<Language, Written>>>> = texts
interface Written {
  subject: string
  text: string
}

/**
 * Subject and text of an email as they are supplied.
 * @throws RangeError where emails of that kind have no such purpose, see `purposesOf`
 */
export function starterText(purpose: EmailPurpose, kind: DocumentKind, language: Language): EmailText {
  const written = textsOf[purpose][kind]?.[language]
  if (!written) throw new RangeError(`no email with a ${kind} is a ${purpose}`)
  return { subject: tidy(fromBraces(written.subject)), text: tidy(fromBraces(written.text)) }
}

const letters: Readonly<Record<DocumentKind, string>> = {
  'order confirmation': 'OC',
  'order update': 'OU',
  'packing slip': 'PS',
  'delivery note': 'DN',
  'shipping label': 'SL',
  'customs invoice': 'CI',
  'return note': 'RN',
  invoice: 'INV',
  'credit note': 'CN',
  'payment receipt': 'PR',
  'refund receipt': 'RR',
  'statement of account': 'SA',
  'payment reminder': 'RM',
}

/**
 * How a brand's documents of a kind are numbered: each year anew, with the brand's code where other brands
 * number documents of that kind already.
 * @param businessYearStart 1–12, the month in which the business year begins
 */
export function starterSeries(kind: DocumentKind, isFirst: boolean, businessYearStart: number): NumberSeries {
  return {
    prefix: `${letters[kind]}-${isFirst ? '' : '{brand}-'}{year}-`,
    suffix: '',
    length: 5,
    start: 1,
    restart: businessYearStart === 1 ? 'year' : 'business year',
    businessYearStart,
  }
}

export interface StarterRoutine {
  name: string
  description: string
  trust: Trust
  sentence: RoutineSentence
}

/** Three routines that most houses want; they come switched off, to be tried first. */
export const starterRoutines: readonly StarterRoutine[] = [
  {
    name: told('starter/confirm').words,
    description: told('starter/confirm-means').words,
    trust: 'after a check',
    sentence: {
      statuses: ['Confirmed'],
      conditions: [],
      issue: 'order confirmation',
      to: 'buying',
      delayMinutes: 0,
    },
  },
  {
    name: told('starter/invoice').words,
    description: told('starter/invoice-means').words,
    trust: 'after a check',
    sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
  },
  {
    name: told('starter/receipts').words,
    description: told('starter/receipts-means').words,
    trust: 'after a check',
    sentence: {
      on: 'payment',
      statuses: [],
      conditions: [],
      issue: 'payment receipt',
      to: 'billing',
      delayMinutes: 0,
    },
  },
]

/** The colours of documents and emails before a brand has its own. */
export const starterColours: Look['colours'] = { brand: '#1f4e5a', accent: '#c98b2c', ground: '#f4f7f7' }

/** The design of a new brand's documents. */
export const starterLook = (name: string, colours: Look['colours'], logo: Look['logo']): Look => ({
  name,
  supplied: 'plain',
  fonts: { heading: 'Source Sans 3', text: 'Source Sans 3' },
  colours,
  logo,
  hiddenSums: [],
  slip: false,
  account: false,
  peelOff: null,
  item: 'own',
})

/** A short code for a brand out of its name: the first letters of its words. */
export function codeOf(name: string): string {
  const words = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .split(/[^A-Za-z0-9]+/)
    .filter(Boolean)
  const code = words.length > 1 ? words.map((word) => word[0]).join('') : (words[0] ?? '').slice(0, 2)
  return code.slice(0, 4).toUpperCase()
}
