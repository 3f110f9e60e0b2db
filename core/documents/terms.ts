import { addDays, makeDay, parseDay, type Day } from './days'
import { Decimal, moneyText, type Currency, type DecimalText } from '../money/decimal'

/** When a customer pays. */
export type Terms = (
  | { kind: 'days'; days: number }
  | { kind: 'end of month'; days: number }
  | { kind: 'day of month'; day: number; months: number }
) & {
  discount?: EarlyDiscount
  /** The house collects it by direct debit, by the mandate that the payer signed; its reference may be unknown. */
  collected?: { mandate: string }
}

/** "2 % when paid within 10 days". */
export interface EarlyDiscount {
  percent: DecimalText
  days: number
}

/** The due date: n days; end of the month + n days; day d of the nth month after. */
export function dueDate(date: Day, terms: Terms): Day {
  const { year, month } = parseDay(date)
  switch (terms.kind) {
    case 'days':
      return addDays(date, terms.days)
    case 'end of month':
      return addDays(makeDay(year, month, 31), terms.days)
    case 'day of month':
      return makeDay(year, month + terms.months, terms.day)
  }
}

/** What is to pay, and until when, with the early-payment discount; undefined when the terms give none. */
export function earlyPayment(
  date: Day,
  toPay: DecimalText,
  currency: Currency,
  terms: Terms,
): { until: Day; percent: DecimalText; amount: DecimalText } | undefined {
  if (!terms.discount) return undefined
  const { percent, days } = terms.discount
  const amount = new Decimal(toPay).times(new Decimal(100).minus(percent)).div(100)
  return { until: addDays(date, days), percent, amount: moneyText(amount, currency) }
}

/**
 * When a customer pays, in words: "within 30 days", "on day 10 of the 2nd month after", with "2 % less within
 * 10 days", "by direct debit".
 */
export function termsWords(terms: Terms): string {
  const days = (count: number) => `${count} ${count === 1 ? 'day' : 'days'}`
  const due =
    terms.kind === 'days'
      ? terms.days === 0
        ? 'at once'
        : `within ${days(terms.days)}`
      : terms.kind === 'end of month'
        ? `at the end of the month${terms.days ? ` and ${days(terms.days)}` : ''}`
        : `on day ${terms.day} of ${monthWords(terms.months)}`
  const discount = terms.discount
    ? `${terms.discount.percent} % less within ${days(terms.discount.days)}`
    : ''
  return [due, discount, terms.collected ? 'by direct debit' : ''].filter(Boolean).join(', ')
}

function monthWords(months: number): string {
  if (months === 0) return 'the same month'
  if (months === 1) return 'the month after'
  return `the ${months}${['', '', 'nd', 'rd'][months] ?? 'th'} month after`
}
