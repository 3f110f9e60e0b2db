import type { Day } from '../documents/days'
import { Decimal, moneyText, sum, type Currency, type DecimalText } from '../money/decimal'
import type { Language } from '../money/format'
import { joined, told, toldDay, toldMoney, type Told } from '../said/told'
import { daysLate } from './ageing'
import { interestOn, type InterestRate, type OpenChange } from './interest'
import starter from './starter-reminders.json'
import type { OpenEntry } from './statement'

/** A step of reminding, as the house defines it; the first is the friendliest. */
export interface ReminderLevel {
  /** What the desk calls it, and what is printed above the document in each language. */
  name: string
  heading: Record<Language, string>
  /** What it says, on the document and in its email. */
  words: Record<Language, string>
  /** Days after the due date from which an item is at this level. */
  afterDays: number
  /** Whether it asks for interest on what is late. */
  interest: boolean
  /** What a letter of it costs, in the account's currency. */
  fee: DecimalText
}

/** How a house reminds. */
export interface ReminderRule {
  levels: ReminderLevel[]
  /** Days that lie between two reminders of the same item, whatever their levels. */
  daysBetween: number
  /** Less than so much in all is not reminded of, in the account's currency. */
  least: DecimalText
  /** What late payment costs a year, for whom and from when. */
  rates: InterestRate[]
  /** Whether fees and interest are owed once a letter is issued; else it asks for them, and the books do not. */
  booksCharges: boolean
}

/** An item that may be reminded of, with what was done about it. */
export interface Remindable extends OpenEntry {
  /** The highest level at which it was reminded, from 1; 0 for none. */
  level: number
  /** The day of its last reminder. */
  remindedOn: Day | null
  /** What was settled of it, and the interest that letters have booked on it; where interest may be asked. */
  changes?: readonly OpenChange[]
  interestBooked?: DecimalText
}

/** Why an item is not reminded of now. */
export type NotReminded =
  'not late enough' | 'disputed' | 'promised' | 'reminded lately' | 'at the last level' | 'a charge'

/**
 * The level at which an item is to be reminded of on a day: one above its last, once it is late enough for that, and
 * never two reminders of it within the days between.
 * @param lastAgain a person asks once more for what is at the last level: it counts as one above it
 */
export function levelDue(
  item: Remindable,
  { levels, daysBetween }: Pick<ReminderRule, 'levels' | 'daysBetween'>,
  today: Day,
  lastAgain = false,
): number | NotReminded {
  if (item.disputed) return 'disputed'
  if (item.promisedOn !== null && item.promisedOn >= today) return 'promised'
  if (item.kind === 'payment reminder') return 'a charge'
  if (item.level >= levels.length && !lastAgain) return 'at the last level'
  const late = item.dueDate === null ? 0 : daysLate(item.dueDate, today)
  if (late <= 0 || late < levels[Math.min(item.level, levels.length - 1)]!.afterDays) return 'not late enough'
  if (item.remindedOn !== null && daysLate(item.remindedOn, today) < daysBetween) return 'reminded lately'
  return item.level + 1
}

/** Why an invoice cannot be sent once more as a reminder on a day; undefined where it can. */
export function whyNotRemind(
  item: Pick<Remindable, 'open' | 'dueDate' | 'disputed' | 'promisedOn'>,
  today: Day,
): 'nothing open' | 'not late' | 'disputed' | 'promised' | undefined {
  if (new Decimal(item.open).lte(0)) return 'nothing open'
  if (item.disputed) return 'disputed'
  if (item.promisedOn !== null && item.promisedOn >= today) return 'promised'
  return item.dueDate === null || daysLate(item.dueDate, today) <= 0 ? 'not late' : undefined
}

/** What makes a statement of what is past due a reminder. */
export interface ReminderFacts {
  /** The level that it is written in: the highest of its items, from 1. */
  level: number
  /** What that level says, in the document's language, as it stood. */
  heading: string
  words: string
  /** The items that it asks for, each with the level that it had and the one it reaches by it. */
  items: { documentId: number; number: string; open: DecimalText; from: number; reaches: number }[]
  /** What is asked for beside them. */
  charges?: ReminderCharges
}

/** What a letter costs whom it is for. Damages for late payment bear no tax: what is said here is all of it. */
export interface ReminderCharges {
  fee: DecimalText
  /** Interest until the day of the letter that no letter booked before, by invoice. */
  interest: { documentId: number; number: string; amount: DecimalText }[]
  until: Day
  total: DecimalText
  /** Whether issuing the letter makes it owed. */
  booked: boolean
}

/** Money that the bank says has come from a customer, and that nobody has booked yet. */
export interface MoneyArrived {
  day: Day
  amount: DecimalText
  currency: Currency
}

/** Why an account is not reminded of while its money lies unbooked. */
export const toldArrived = ({ day, amount, currency }: MoneyArrived): Told =>
  told('reminder/arrived', { sum: toldMoney(amount, currency), day: toldDay(day) })

/** The items of one letter, and what it says. */
export interface ReminderLetter {
  reminder: ReminderFacts
  /** What it lists: the items, and what is in the customer's favour. */
  open: OpenEntry[]
  /** What is asked for: overdue less what is in the customer's favour. */
  asked: DecimalText
}

/** What a letter of a level costs; undefined where it costs nothing. */
function chargesOf(
  asked: readonly Remindable[],
  level: ReminderLevel,
  {
    currency,
    rates,
    booked,
    until,
  }: { currency: Currency; rates: readonly InterestRate[]; booked: boolean; until: Day },
): ReminderCharges | undefined {
  const bearing = level.interest ? asked.filter((one) => one.kind === 'invoice' && one.dueDate !== null) : []
  const interest = bearing
    .map(({ documentId, number, amount, dueDate, changes = [], interestBooked = '0' }) => {
      const all = interestOn({ amount, dueDate: dueDate!, changes }, rates, until, currency)
      const left = new Decimal(all).minus(interestBooked)
      return { documentId: documentId!, number, amount: moneyText(left, currency) }
    })
    .filter((one) => new Decimal(one.amount).gt(0))
  const total = sum([level.fee, ...interest.map((one) => one.amount)])
  if (total.isZero()) return undefined
  return { fee: moneyText(level.fee, currency), interest, until, total: moneyText(total, currency), booked }
}

/**
 * One letter for everything of an account that is to be reminded of on a day; overdue items that are at their level
 * already are asked for with it. Or why there is none.
 */
export function remind(
  open: readonly Remindable[],
  {
    currency,
    language,
    rule,
    rates = [],
    arrived,
    lastAgain,
  }: {
    currency: Currency
    language: Language
    rule: ReminderRule
    /** The customer's, see `ratesOf`. */
    rates?: readonly InterestRate[]
    arrived?: MoneyArrived
    /** A person asks once more for what is at the last level. */
    lastAgain?: boolean
  },
  today: Day,
): ReminderLetter | { nothing: Told } {
  const owed = open.filter((one) => new Decimal(one.open).gt(0))
  const overdue = owed.filter((one) => one.dueDate !== null && daysLate(one.dueDate, today) > 0)
  if (overdue.length === 0) return { nothing: told('reminder/nothing-late') }
  if (arrived) return { nothing: toldArrived(arrived) }
  const due = overdue.map((one) => ({ one, due: levelDue(one, rule, today, lastAgain) }))
  const now = due.filter((each) => typeof each.due === 'number')
  if (now.length === 0) {
    const why = [...new Set(due.map((each) => each.due as NotReminded))]
    const all = why.map((one) => told(`not-reminded/${one}`))
    return { nothing: told('reminder/nothing-now', { why: joined(all, 'list/comma') }) }
  }
  // what is disputed or promised is not asked for; what was reminded of before still is
  const asked = due.filter((each) => each.due !== 'disputed' && each.due !== 'promised')
  const favour = open.filter((one) => new Decimal(one.open).lt(0))
  const listed = [...asked.map(({ one }) => one), ...favour]
  const total = sum(listed.map((one) => one.open))
  if (total.lte(0)) return { nothing: told('reminder/favour') }
  if (total.lt(rule.least)) return { nothing: told('reminder/less', { least: rule.least, currency }) }
  const level = Math.min(rule.levels.length, Math.max(...now.map((each) => each.due as number)))
  const { heading, words } = rule.levels[level - 1]!
  const charges = chargesOf(
    asked.map(({ one }) => one),
    rule.levels[level - 1]!,
    { currency, rates, booked: rule.booksCharges, until: today },
  )
  return {
    reminder: {
      level,
      heading: heading[language],
      words: words[language],
      items: asked.map(({ one, due: reaches }) => ({
        documentId: one.documentId!,
        number: one.number,
        open: one.open,
        from: one.level,
        reaches: typeof reaches === 'number' ? reaches : one.level,
      })),
      ...(charges ? { charges } : {}),
    },
    open: listed.map(({ level: _, remindedOn: __, changes: ___, interestBooked: ____, ...one }) => one),
    asked: moneyText(total, currency),
  }
}

/** Whether any letter of a house asks for interest. */
export const asksInterest = ({ levels, rates }: ReminderRule): boolean =>
  rates.length > 0 && levels.some((one) => one.interest)

/** What an account is asked for: the items less what is in its favour, and what the letter costs. */
export const askedWith = (asked: DecimalText, charges: ReminderCharges | undefined): DecimalText =>
  charges ? new Decimal(asked).plus(charges.total).toString() : asked

/** Three levels to begin with. */
export const starterReminders: ReminderRule = starter
