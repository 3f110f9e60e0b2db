import { type Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Terms } from '../../../core/documents/terms'
import { Refusal } from '../../../core/errors'
import { sum } from '../../../core/money/decimal'
import { ageingSteps, daysLate, type AgeingStep } from '../../../core/receivables/ageing'
import { periodOf, type StatementPeriod } from '../../../core/receivables/statement'
import { told, toldDay, type Told } from '../../../core/said/told'
import type { PaymentMethod } from '../../../core/documents/facts'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { publish } from '../live/publish'
import { note } from '../history/history'
import { houseSettings } from '../house/settings'
import { type Principal, theHouse } from '../people/principal'
import {
  accountHead,
  currenciesOf,
  looksAt,
  statementsOf,
  openItemsOf,
  paymentsOf,
  forgetLevel,
  updateMark,
} from './account-queries'
import { ageingSums, today, type paymentSorts } from './accounts-queries'

/*
 * Accounts: what customers owe, how old it is, and one customer's open items and payments.
 * Called from the Accounts page and its CSV. Reads only, but for the marks on an open item.
 */

/** A customer's account in one currency. `id` is unique in the list. */
export interface AccountRow {
  id: number
  customerId: number
  number: string
  name: string
  currency: string
  /** Open invoices by ageing step, in the order of `ageingSteps`. */
  steps: string[]
  overdue: string
  /** Credit notes not used up, and payments on account; below zero. */
  credit: string
  balance: string
  /** The earliest due date of what is open. */
  oldestDue: Day | null
  disputed: boolean
  promised: boolean
  /** By direct debit: it is ours to collect. */
  collected: boolean
  /** The last day of the newest statement that was issued, and the day of the newest reminder. */
  stated: Day | null
  reminded: Day | null
}

export interface AccountFilter {
  search?: string
  only?: 'overdue' | 'credit'
  group?: string
  /** ISO 3166-1 alpha-2, of the billing address. */
  country?: string
  salesperson?: string
  /** A decimal: more than so much is overdue, or is owed in all. */
  overdueOver?: string
  balanceOver?: string
  /** The oldest item is overdue for more than so many days. */
  lateOver?: number
  /** A brand's code: what is owed to it alone. */
  brand?: string
  /** One of the house's own fields of customers, and what it contains; without that: it is filled. */
  field?: string
  fieldHolds?: string
  /** No statement, or no reminder, was issued within so many days. */
  notStatedFor?: number
  notRemindedFor?: number
  sort: 'overdue' | 'name' | 'balance'
  descending: boolean
  after?: string
  limit: number
}

export interface Ageing {
  currency: string
  steps: { step: AgeingStep; sum: string; count: number }[]
  overdue: string
  credit: string
  open: string
  disputed: string
}

/** What all customers owe, by currency and age. */
export async function ageing(who = theHouse): Promise<Ageing[]> {
  const found = await ageingSums(who, await today())
  const add = (amounts: string[]) => sum(amounts).toString()
  return [...new Set(found.map((row) => row.currency))].sort().map((currency) => {
    const own = found.filter((row) => row.currency === currency)
    const of = (...steps: number[]) =>
      add(own.filter((row) => steps.includes(row.step)).map((row) => row.sum))
    return {
      currency,
      overdue: of(1, 2, 3, 4),
      credit: of(-1),
      open: of(-1, 0, 1, 2, 3, 4),
      disputed: add(own.map((row) => row.disputed)),
      steps: ageingSteps.map((step, index) => ({
        step,
        sum: of(index),
        count: own.filter((row) => row.step === index).reduce((count, row) => count + row.count, 0),
      })),
    }
  })
}

export interface OpenRow {
  id: number
  number: string
  kind: DocumentKind
  date: Day
  dueDate: Day
  orderNumber: string
  currency: string
  amount: string
  open: string
  late: number
  dispute: string
  promisedOn: Day | null
  markedBy: string
  /** Its reminders, the first level first. */
  reminders: { level: number; day: Day; number: string; letterId: number }[]
}

export interface PaymentRow {
  id: number
  direction: 'in' | 'out'
  customerId: number
  customerName: string
  date: Day
  method: PaymentMethod
  amount: string
  currency: string
  reference: string
  open: string
  madeAt: Date
  madeBy: string
  /** A counter-entry, or taken back by one. */
  reverses: boolean
  undone: boolean
  /** `tax` and `total` are the document's. */
  settles: {
    documentId: number
    number: string
    amount: string
    discount: string
    writeOff: string
    tax: string
    total: string
  }[]
  receipt: { documentId: number; number: string } | null
}

export interface Account {
  customerId: number
  name: string
  number: string
  currency: string
  terms: Terms
  items: OpenRow[]
  payments: PaymentRow[]
  /** How many levels reminders have. */
  levels: number
  /** Currencies in which anything was ever booked. */
  currencies: string[]
  /** The newest twelve statements, issued or prepared. */
  statements: StatementRow[]
  /** What routines of the clock decided of it the last time, and why. */
  looked: LookedAt[]
}

/** The newest look of a routine at one of the customer's accounts. */
export interface LookedAt {
  routine: string
  at: Date
  brand: string
  outcome: string
  reason: Told | null
  /** The condition that did not hold, with the value seen; null where all held. */
  unmet: Told | null
}

/** A statement of the account. */
export interface StatementRow {
  preparedId: number
  /** Null while it is prepared. */
  documentId: number | null
  number: string | null
  brand: string
  period: StatementPeriod | null
  day: Day
  balance: string
  currency: string
  voided: boolean
}

/** One customer's open items, oldest due first, and newest payments. @throws Refusal "no-such-customer" */
export async function account(customerId: number, who = theHouse): Promise<Account> {
  const customer = await accountHead(customerId)
  if (!customer) throw new Refusal('no-such-customer', { status: 404 })
  const day = await today()
  const items = await openItemsOf(who, customerId)
  const payments = await paymentsOf(who, customerId)
  const statements = await statementsOf(who, customerId)
  const looked = await looksAt(who, customerId)
  return {
    customerId,
    ...customer,
    items: items.map((item) => ({ ...item, late: Math.max(0, daysLate(item.dueDate, day)) })),
    payments,
    levels: (await houseSettings()).reminders.levels.length,
    currencies: (await currenciesOf(who, customerId)).map((one) => one.currency),
    looked: looked.map(({ seen, ...one }) => {
      const not = seen.find((condition) => !condition.holds)
      return { ...one, unmet: not ? told('looked/unmet', { asks: not.asks, seen: not.seen }) : null }
    }),
    statements: statements.map(({ occasion, ...one }) => ({ ...one, period: periodOf(occasion) ?? null })),
  }
}

export interface PaymentFilter {
  search?: string
  direction?: 'in' | 'out'
  onAccount?: boolean
  sort?: keyof typeof paymentSorts
  descending?: boolean
  after?: string
  limit: number
}

/**
 * Marks an open item as disputed, or with the day its customer promised to pay; kept with who said so.
 * @throws Refusal "nothing-open"
 */
export async function markItem(
  documentId: number,
  mark: { dispute?: string; promisedOn?: Day | null },
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    const marked = await updateMark({
      documentId,
      dispute: mark.dispute ?? null,
      promiseGiven: mark.promisedOn !== undefined,
      promisedOn: mark.promisedOn ?? null,
      actor: who.name,
      now: clock.now(),
    })
    if (marked === 0) throw new Refusal('nothing-open')
    if (mark.dispute !== undefined)
      await note(
        { documentId },
        who.name,
        mark.dispute ? told('money/disputed', { why: mark.dispute }) : told('money/undisputed'),
      )
    if (mark.promisedOn !== undefined)
      await note(
        { documentId },
        who.name,
        mark.promisedOn
          ? told('money/promised', { day: toldDay(mark.promisedOn) })
          : told('money/not-promised'),
      )
    publish('payment')
  })
}

/**
 * Sets an open item back to the level before its last reminder; that letter stays as it was sent.
 * @param back the level that it is at, as it was seen: two people set it back once
 * @throws Refusal "no-level"
 */
export async function setLevelBack(
  documentId: number,
  back: { level: number; reason: string },
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    // marked as well: what was prepared of the account is built anew
    await updateMark({
      documentId,
      dispute: null,
      promiseGiven: false,
      promisedOn: null,
      actor: who.name,
      now: clock.now(),
    })
    if (!(await forgetLevel(documentId, back.level))) throw new Refusal('no-level')
    await note({ documentId }, who.name, told('money/level-back', back))
    publish('payment')
  })
}
