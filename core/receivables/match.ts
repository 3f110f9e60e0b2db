import { isCreditorReference } from '../documents/payment-code'
import { Decimal, moneyText, sum, type DecimalText } from '../money/decimal'
import type { BankEntry } from './bank-statement'
import { spreadPayment, type OpenItem, type Settlement } from './settle'

/** An open item as a bank entry is held against it. */
export interface Candidate extends OpenItem {
  customerId: number
  customerName: string
}

/** How sure a match is: booked after a look at all; proposed one by one; nothing found. */
export type Certainty = 'sure' | 'unsure' | 'strange'

export interface Match {
  certainty: Certainty
  /** Why, in plain words. */
  reason: string
  customerId: number | null
  settlements: Settlement[]
}

/** Letters and digits alone, in capitals: "INV-2026-00042" and "inv 2026 00042" are the same number. */
export const bareNumber = (number: string): string => number.toUpperCase().replace(/[^A-Z0-9]/g, '')

/**
 * Everything in an entry that may be a document's number: what its creditor reference (ISO 11649) stands for,
 * and every run of up to six neighbouring pieces of its text.
 */
export function numbersIn({ text, reference }: Pick<BankEntry, 'text' | 'reference'>): string[] {
  const pieces = `${reference} ${text}`
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .filter(Boolean)
    .slice(0, 80)
  const found = new Set<string>()
  const take = (bare: string) => {
    if (bare.length >= 4 && bare.length <= 40 && /\d/.test(bare)) found.add(bare)
    if (isCreditorReference(bare)) found.add(bare.slice(4))
  }
  pieces.forEach((_, from) => {
    let run = ''
    for (const piece of pieces.slice(from, from + 8)) take((run += piece))
  })
  return [...found]
}

const nameWords = (name: string) =>
  new Set(
    name
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter(
        (word) =>
          word.length > 2 && !['ltd', 'gmbh', 'sarl', 'limited', 'the', 'and', 'und', 'inc'].includes(word),
      ),
  )

/** Whether two names are the same but for order, legal form, accents and case. */
export function sameName(a: string, b: string): boolean {
  const [one, two] = [nameWords(a), nameWords(b)]
  if (one.size === 0 || two.size === 0) return false
  const [small, large] = one.size <= two.size ? [one, two] : [two, one]
  return [...small].every((word) => large.has(word)) && small.size >= Math.min(2, large.size)
}

export interface MatchLimits {
  smallDifference: DecimalText
}

/**
 * Decides one entry: by creditor reference, then number and amount, then amount and name. `named` are open
 * items whose number is named in it,
 * `sameAmount` those with exactly its amount open.
 */
export function matchEntry(
  entry: BankEntry,
  named: readonly Candidate[],
  sameAmount: readonly Candidate[],
  limits: MatchLimits,
): Match {
  const strange = (reason: string): Match => ({
    certainty: 'strange',
    reason,
    customerId: null,
    settlements: [],
  })
  const amount = new Decimal(entry.amount)
  if (amount.isNegative()) return outgoing(entry, named)
  if (amount.isZero()) return strange('No money moved.')
  const owed = named.filter((item) => item.currency === entry.currency && new Decimal(item.open).gt(0))
  if (owed.length > 0) return byNumber(entry, owed, limits)
  if (named.length > 0) {
    const { number, currency } = named[0]!
    const why = currency === entry.currency ? 'on which nothing is open' : `which is in ${currency}`
    return strange(`It names ${number}, ${why}.`)
  }
  const fits = sameAmount.filter((item) => sameName(item.customerName, entry.name))
  if (fits.length === 1)
    return {
      certainty: 'unsure',
      reason: `${fits[0]!.number} of ${fits[0]!.customerName} has just this amount open; no number is named.`,
      customerId: fits[0]!.customerId,
      settlements: settlementsOf(entry, fits, limits),
    }
  if (fits.length > 1)
    return {
      certainty: 'unsure',
      reason: `${fits.length} open invoices of ${fits[0]!.customerName} have just this amount: ${fits
        .map((item) => item.number)
        .slice(0, 4)
        .join(', ')}.`,
      customerId: fits[0]!.customerId,
      settlements: settlementsOf(entry, fits.slice(0, 1), limits),
    }
  return strange(
    sameAmount.length > 0
      ? `${sameAmount[0]!.number} of ${sameAmount[0]!.customerName} has this amount open, but the payer ` +
          `is ${entry.name || 'not named'}.`
      : 'No open invoice has its number, or its amount and name.',
  )
}

/** A letter that is paid may list many. */
const someOf = (numbers: readonly string[], most = 5) =>
  numbers.length > most + 1
    ? `${numbers.slice(0, most).join(', ')} and ${numbers.length - most} more`
    : numbers.join(', ')

function byNumber(entry: BankEntry, owed: readonly Candidate[], limits: MatchLimits): Match {
  const customers = new Set(owed.map((item) => item.customerId))
  const first = owed[0]!
  const numbers = someOf(owed.map((item) => item.number))
  const settlements = settlementsOf(entry, customers.size > 1 ? [first] : owed, limits)
  const match = (certainty: Certainty, reason: string): Match => ({
    certainty,
    reason,
    customerId: first.customerId,
    settlements,
  })
  if (customers.size > 1)
    return match('unsure', `It names invoices of ${customers.size} customers: ${numbers}.`)
  const booked = sum(settlements.flatMap((one) => [one.amount, one.discount, one.writeOff]))
  const open = sum(owed.map((item) => item.open))
  const rest = new Decimal(entry.amount).minus(sum(settlements.map((one) => one.amount)))
  const how = isCreditorReference(entry.reference.replace(/\s/g, '')) ? 'The reference names' : 'It names'
  if (rest.gt(0))
    return match(
      'unsure',
      `${how} ${numbers}; ${moneyText(rest, entry.currency)} is too much and would stay on account.`,
    )
  if (!booked.eq(open))
    return match(
      'unsure',
      `${how} ${numbers}; ${moneyText(open.minus(booked), entry.currency)} would stay open.`,
    )
  const parts = [
    ['early-payment discount', sum(settlements.map((one) => one.discount))],
    ['waived', sum(settlements.map((one) => one.writeOff))],
  ] as const
  const less = parts
    .filter(([, part]) => part.gt(0))
    .map(([word, part]) => `${moneyText(part, entry.currency)} ${word}`)
  return match(
    'sure',
    `${how} ${numbers}, and the amount fits${less.length ? ` with ${less.join(' and ')}` : ''}.`,
  )
}

const settlementsOf = (entry: BankEntry, items: readonly Candidate[], { smallDifference }: MatchLimits) =>
  spreadPayment(
    entry.amount,
    [...items].sort((a, b) => a.dueDate.localeCompare(b.dueDate) || a.id - b.id),
    { paidOn: entry.bookedOn, smallDifference },
  ).settlements

/** Money that went out is a refund only where it names a credit note with so much open. */
function outgoing(entry: BankEntry, named: readonly Candidate[]): Match {
  const paid = new Decimal(entry.amount).abs()
  const credit = named.find((item) => item.currency === entry.currency && new Decimal(item.open).isNegative())
  if (!credit)
    return {
      certainty: 'strange',
      reason: 'Money that went out, and no credit note is named.',
      customerId: null,
      settlements: [],
    }
  const open = new Decimal(credit.open).abs()
  const zero = moneyText(0, entry.currency)
  return {
    certainty: paid.eq(open) ? 'sure' : 'unsure',
    reason: `A refund of ${credit.number}, ${
      paid.eq(open) ? 'and the amount fits' : `which has ${moneyText(open, entry.currency)} open`
    }.`,
    customerId: credit.customerId,
    settlements: [
      {
        documentId: credit.id,
        amount: moneyText(Decimal.min(paid, open), entry.currency),
        discount: zero,
        writeOff: zero,
      },
    ],
  }
}

/**
 * An item with what a match would book taken off, so that a second payment of the same invoice in one file is
 * seen.
 */
export function lessMatch<Item extends Candidate>(
  item: Item,
  { settlements }: Pick<Match, 'settlements'>,
): Item {
  const own = settlements.find((one) => one.documentId === item.id)
  if (!own) return item
  const booked = sum([own.amount, own.discount, own.writeOff])
  return {
    ...item,
    open: moneyText(
      new Decimal(item.open).minus(new Decimal(item.open).isNegative() ? booked.neg() : booked),
      item.currency,
    ),
  }
}
