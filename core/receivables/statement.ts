import { addDays, type Day } from '../documents/days'
import type { DocumentKind } from '../documents/kinds'
import { Refusal } from '../errors'
import { Decimal, moneyText, sum, type Currency, type DecimalText } from '../money/decimal'
import { told, type Told } from '../said/told'
import { ageingStep, ageingSteps, daysLate, type AgeingStep } from './ageing'

/**
 * What a statement says: the items that are open on a day, or all that was booked from one day to another with
 * the balance after each. Days are accounting days: what is booked later with an earlier day shows in later
 * statements only.
 */
export type StatementPeriod =
  | { form: 'open items'; until: Day }
  | { form: 'activity'; from: Day; until: Day }
  /** Reminders: what is past due on the day; with what is at the last level already, where a person says so. */
  | { form: 'reminder'; until: Day; lastAgain?: true }

/** A document that was booked, money that moved, or what took from one of them. */
export type EntryKind = DocumentKind | 'payment' | 'refund' | 'discount' | 'waived' | 'transfer'

/** One booking on an account: above zero the customer owes so much more. */
export interface LedgerEntry {
  kind: EntryKind
  /** The document's number, or what the payer wrote; may be empty. */
  number: string
  day: Day
  dueDate: Day | null
  amount: DecimalText
  /** Of a document: which. */
  documentId?: number | null
  /** The brand that it is of, where that is another than the statement's. */
  brand?: string | null
}

/** What is open on a day: a document, or money that settles nothing yet. */
export interface OpenEntry extends LedgerEntry {
  open: DecimalText
  disputed: boolean
  promisedOn: Day | null
}

/** The books of one account as a statement is made from them. */
export interface StatementFacts {
  period: StatementPeriod
  currency: Currency
  /** The sum of all that was booked before the period; '0' where open items are listed. */
  opening: DecimalText
  /** What was booked in the period, by day; none where open items are listed. */
  entries: LedgerEntry[]
  /** What is open on the last day, by due date. */
  open: OpenEntry[]
  /** The sum of everything that was booked until the last day. */
  balance: DecimalText
}

export interface Statement {
  rows: (LedgerEntry & { balance: DecimalText })[]
  debits: DecimalText
  credits: DecimalText
  closing: DecimalText
  /** What is past due on the last day, without what is in the customer's favour. */
  overdue: DecimalText
  /** What is owed by age, in the order of `ageingSteps`. */
  ageing: { step: AgeingStep; sum: DecimalText }[]
  /** Credit notes and payments that settle nothing yet; zero or below. */
  favour: DecimalText
}

/**
 * opening + debits − credits = closing = the sum of what is open on the last day; the steps of age and what is in
 * the customer's favour sum to it as well.
 * @throws Refusal "statement-off" where the books do not come to that: nothing that is not so may leave
 */
export function statementOf({
  period,
  currency,
  opening,
  entries,
  open,
  balance,
}: StatementFacts): Statement {
  const money = (value: Decimal) => moneyText(value, currency)
  let running = new Decimal(opening)
  const rows = entries.map((entry) => {
    running = running.plus(entry.amount)
    return { ...entry, balance: money(running) }
  })
  const isOpen = sum(open.map((one) => one.open))
  const booked = period.form === 'activity' ? running : new Decimal(balance)
  if (!booked.eq(balance) || !isOpen.eq(balance))
    throw new Refusal('statement-off', {
      values: { booked: money(booked), open: money(isOpen), currency },
    })
  const part = (of: readonly DecimalText[], isDebit: boolean) =>
    money(sum(of.filter((amount) => new Decimal(amount).gt(0) === isDebit)).abs())
  const amounts = entries.map((entry) => entry.amount)
  const owed = open.filter((one) => new Decimal(one.open).gt(0))
  const stepOf = (one: OpenEntry) => ageingStep(one.dueDate ?? one.day, period.until)
  const sumOf = (some: readonly OpenEntry[]) => money(sum(some.map((one) => one.open)))
  return {
    rows,
    debits: part(amounts, true),
    credits: part(amounts, false),
    closing: money(isOpen),
    overdue: money(overdueOf(open, period.until)),
    ageing: ageingSteps.map((step) => ({ step, sum: sumOf(owed.filter((one) => stepOf(one) === step)) })),
    favour: sumOf(open.filter((one) => new Decimal(one.open).lt(0))),
  }
}

/** What is past due on a day, without what is in the customer's favour. */
export const overdueOf = (open: readonly OpenEntry[], day: Day): Decimal =>
  sum(
    open
      .filter((one) => new Decimal(one.open).gt(0) && ageingStep(one.dueDate ?? one.day, day) !== 'not due')
      .map((one) => one.open),
  )

/** For how many days the oldest of what is past due is late; 0 where nothing is. */
export const lateFor = (open: readonly OpenEntry[], day: Day): number =>
  Math.max(
    0,
    ...open.filter((one) => new Decimal(one.open).gt(0)).map((one) => daysLate(one.dueDate ?? one.day, day)),
  )

/** Why there is nothing to make a statement of; undefined where there is something. */
export function nothingToState({ period, opening, entries, open }: StatementFacts): Told | undefined {
  if (period.form !== 'activity') return open.length === 0 ? told('statement/nothing-open') : undefined
  return entries.length === 0 && open.length === 0 && new Decimal(opening).isZero()
    ? told('statement/nothing-booked')
    : undefined
}

/** What tells one statement of an account from another: its period. */
export const occasionOf = (period: StatementPeriod): string =>
  period.form === 'activity'
    ? `activity ${period.from} to ${period.until}`
    : `${period.form} ${period.until}${'lastAgain' in period && period.lastAgain ? lastAgain : ''}`

const lastAgain = ', last level again'

/** The period that an occasion names; undefined where it names none. */
export function periodOf(occasion: string): StatementPeriod | undefined {
  const activity = /^activity (\d{4}-\d\d-\d\d) to (\d{4}-\d\d-\d\d)$/.exec(occasion)
  if (activity) return { form: 'activity', from: activity[1]!, until: activity[2]! }
  const other = /^(open items|reminder) (\d{4}-\d\d-\d\d)(, last level again)?$/.exec(occasion)
  if (!other) return undefined
  const until = other[2]!
  if (other[1] === 'open items') return { form: 'open items', until }
  return { form: 'reminder', until, ...(other[3] ? { lastAgain: true } : {}) }
}

/** The kind of document that a period is asked for with. */
export const kindOfPeriod = ({ form }: StatementPeriod): DocumentKind =>
  form === 'reminder' ? 'payment reminder' : 'statement of account'

/** Books as any account might have them, for a sample. @param until the day that they are of */
export function exampleStatement(currency: Currency, until: Day): StatementFacts {
  const item = (number: string, late: number, open: string, amount = open): OpenEntry => ({
    kind: 'invoice',
    number,
    day: addDays(until, -late - 30),
    dueDate: addDays(until, -late),
    amount: moneyText(amount, currency),
    open: moneyText(open, currency),
    disputed: false,
    promisedOn: null,
  })
  const open = [item('INV-00017', 24, '412', '512'), item('INV-00042', -12, '872.46')]
  return {
    period: { form: 'open items', until },
    currency,
    opening: '0',
    entries: [],
    open,
    balance: sum(open.map((one) => one.open)).toString(),
  }
}
