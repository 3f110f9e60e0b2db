import { isCreditorReference } from '../documents/payment-code'
import { Decimal, moneyText, sum, type DecimalText } from '../money/decimal'
import { joined, told, type Told } from '../said/told'
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
  reason: Told
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
  const strange = (reason: Told): Match => ({
    certainty: 'strange',
    reason,
    customerId: null,
    settlements: [],
  })
  const amount = new Decimal(entry.amount)
  if (amount.isNegative()) return outgoing(entry, named)
  if (amount.isZero()) return strange(told('match/no-money'))
  const owed = named.filter((item) => item.currency === entry.currency && new Decimal(item.open).gt(0))
  if (owed.length > 0) return byNumber(entry, owed, limits)
  if (named.length > 0) {
    const { number, currency } = named[0]!
    return strange(
      currency === entry.currency
        ? told('match/not-open', { number })
        : told('match/currency', { number, currency }),
    )
  }
  const fits = sameAmount.filter((item) => sameName(item.customerName, entry.name))
  if (fits.length === 1)
    return {
      certainty: 'unsure',
      reason: told('match/amount', { number: fits[0]!.number, customer: fits[0]!.customerName }),
      customerId: fits[0]!.customerId,
      settlements: settlementsOf(entry, fits, limits),
    }
  if (fits.length > 1)
    return {
      certainty: 'unsure',
      reason: told('match/amounts', {
        n: fits.length,
        customer: fits[0]!.customerName,
        numbers: joined(
          fits.slice(0, 4).map((item) => item.number),
          'list/comma',
        ),
      }),
      customerId: fits[0]!.customerId,
      settlements: settlementsOf(entry, fits.slice(0, 1), limits),
    }
  if (sameAmount.length === 0) return strange(told('match/nothing'))
  const { number, customerName: customer } = sameAmount[0]!
  return strange(
    entry.name
      ? told('match/other-payer', { number, customer, payer: entry.name })
      : told('match/no-payer', { number, customer }),
  )
}

/** A letter that is paid may list many. */
const someOf = (numbers: readonly string[], most = 5): Told =>
  numbers.length > most + 1
    ? told('match/more', { numbers: joined(numbers.slice(0, most), 'list/comma'), n: numbers.length - most })
    : joined(numbers, 'list/comma')

function byNumber(entry: BankEntry, owed: readonly Candidate[], limits: MatchLimits): Match {
  const customers = new Set(owed.map((item) => item.customerId))
  const first = owed[0]!
  const numbers = someOf(owed.map((item) => item.number))
  const settlements = settlementsOf(entry, customers.size > 1 ? [first] : owed, limits)
  const match = (certainty: Certainty, reason: Told): Match => ({
    certainty,
    reason,
    customerId: first.customerId,
    settlements,
  })
  if (customers.size > 1) return match('unsure', told('match/customers', { n: customers.size, numbers }))
  const booked = sum(settlements.flatMap((one) => [one.amount, one.discount, one.writeOff]))
  const open = sum(owed.map((item) => item.open))
  const rest = new Decimal(entry.amount).minus(sum(settlements.map((one) => one.amount)))
  const isReference = isCreditorReference(entry.reference.replace(/\s/g, ''))
  const names = told(isReference ? 'match/by-reference' : 'match/by-text', { numbers })
  if (rest.gt(0))
    return match('unsure', told('match/too-much', { names, amount: moneyText(rest, entry.currency) }))
  if (!booked.eq(open))
    return match(
      'unsure',
      told('match/left', { names, amount: moneyText(open.minus(booked), entry.currency) }),
    )
  const parts = [
    ['match/discount', sum(settlements.map((one) => one.discount))],
    ['match/waived', sum(settlements.map((one) => one.writeOff))],
  ] as const
  const less = parts
    .filter(([, part]) => part.gt(0))
    .map(([says, part]) => told(says, { amount: moneyText(part, entry.currency) }))
  return match(
    'sure',
    less.length === 0
      ? told('match/fits', { names })
      : told('match/fits-with', { names, less: joined(less, 'list/and') }),
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
      reason: told('match/refund-unnamed'),
      customerId: null,
      settlements: [],
    }
  const open = new Decimal(credit.open).abs()
  const zero = moneyText(0, entry.currency)
  return {
    certainty: paid.eq(open) ? 'sure' : 'unsure',
    reason: paid.eq(open)
      ? told('match/refund', { number: credit.number })
      : told('match/refund-open', { number: credit.number, amount: moneyText(open, entry.currency) }),
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
