import { addDays, makeDay, parseDay, type Day } from './days'
import { Decimal, moneyText, type Currency, type DecimalText } from '../money/decimal'
import { counted, joined, told, type Told } from '../said/told'

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
 * When a customer pays: "within 30 days", "on day 10 of the 2nd month after", with "2 % less within 10 days", "by
 * direct debit".
 */
export function toldTerms(terms: Terms): Told {
  const { discount, collected } = terms
  const parts = [toldDue(terms)]
  if (discount) {
    const { percent, days } = discount
    parts.push(told('terms/discount', { percent, days: counted(days, 'day') }))
  }
  if (collected) parts.push(told('terms/collected'))
  return joined(parts, 'list/comma')
}

function toldDue(terms: Terms): Told {
  if (terms.kind === 'day of month') return toldMonth(terms)
  const days = counted(terms.days, 'day')
  if (terms.kind === 'days') return terms.days === 0 ? told('terms/at-once') : told('terms/within', { days })
  return terms.days === 0 ? told('terms/month-end') : told('terms/month-end-and', { days })
}

function toldMonth({ day, months }: { day: number; months: number }): Told {
  switch (months) {
    case 0:
      return told('terms/same-month', { day })
    case 1:
      return told('terms/month-after', { day })
    case 2:
      return told('terms/2nd-month', { day })
    case 3:
      return told('terms/3rd-month', { day })
    default:
      return told('terms/nth-month', { day, months })
  }
}
