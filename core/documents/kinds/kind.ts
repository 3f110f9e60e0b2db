import type { Language } from '../../money/format'
import type { ContactRole } from '../../preferences/recipients'
import type { SourceKind } from '../sources'

/** What holds for every document of a kind. */
export interface KindFacts {
  /** "an invoice". */
  one: string
  many: string
  /** In a narrow column. */
  short: string
  /** What is printed above it. */
  heading: Record<Language, string>
  /** What it is made of. */
  sources: readonly SourceKind[]
  /** What stands on it: what is sold, with its sums, what goes out, money that came or went, or what is owed. */
  content: 'goods' | 'shipment' | 'money' | 'account'
  /** What issuing it books: that it is owed, or that it is owed no more. Issuing such a kind is posting. */
  books: 'debit' | 'credit' | null
  /** The goods must have left before: it prints the date of supply. */
  needsSupply: boolean
  /** It asks for money: due date, bank account and payment code are printed. */
  asksForPayment: boolean
  /** It waits while its order is held or withdrawn. A credit note does not: it is what a withdrawal calls for. */
  waitsWithOrder: boolean
  /** Another one of the same source takes the place of the one before, and says so. */
  replacesEarlier: boolean
  /** Whom it goes to when nothing else is said. */
  to: ContactRole
  /** It tells how its order stands, each status once, and by its email alone: no file of it goes along. */
  isUpdate?: true
}

/** A kind as its file writes it; its name is what it is called in the database and the API. */
export const kind = <Name extends string>(name: Name, facts: KindFacts) => ({ name, ...facts })
