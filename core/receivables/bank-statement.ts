import type { Day } from '../documents/days'
import { Decimal, type Currency, type DecimalText } from '../money/decimal'

/** One movement on a bank account. */
export interface BankEntry {
  /** The same movement always has the same key within its account, whichever file it comes in. */
  key: string
  bookedOn: Day
  /** Below zero when the money went out. */
  amount: DecimalText
  currency: Currency
  /** The other side: who paid, or was paid. */
  name: string
  iban: string
  /** What was written, unstructured. */
  text: string
  /** A creditor reference (ISO 11649) or other structured reference; may be empty. */
  reference: string
}

/** A movement as it is read, with the bank's own reference where there is one. */
export interface Unkeyed extends Omit<BankEntry, 'key'> {
  bankReference: string
}

export interface BankStatement {
  account: string
  entries: BankEntry[]
}

/** All that is said of a movement: the bank's own reference stands for its names and texts. */
export const saidOf = ({ bankReference, ...entry }: Unkeyed): string =>
  [
    entry.bookedOn,
    new Decimal(entry.amount).toString(),
    entry.currency,
    bankReference ? `ref ${bankReference}` : [entry.name, entry.iban, entry.text, entry.reference].join('|'),
  ].join('|')

/** One more that says the same. @returns how many it makes */
export function countAlike(seen: Map<string, number>, said: string): number {
  const count = (seen.get(said) ?? 0) + 1
  seen.set(said, count)
  return count
}

/**
 * Keys by what is said and how many alike came before, in this statement or, in `alike`, in earlier ones of
 * the file. A movement with the bank's
 * reference that comes in a further statement is the same; one without is another, as the bank says nothing
 * else: it is looked at rather than lost.
 */
export function keyed(entries: readonly Unkeyed[], alike: Map<string, number>): BankEntry[] {
  const named = new Map<string, number>()
  return entries.map(({ bankReference, ...entry }) => {
    const said = saidOf({ ...entry, bankReference })
    return { ...entry, key: `${said}|${countAlike(bankReference ? named : alike, said)}` }
  })
}
