import { daysBetween, type Day } from '../documents/days'
import { Decimal, moneyText, sum, type Currency, type DecimalText } from '../money/decimal'

/** What late payment costs a year, from a day on, for whom: '' of a group or a country is everybody's. */
export interface InterestRate {
  group: string
  /** ISO 3166-1 alpha-2. */
  country: string
  from: Day
  /** Per cent a year; '0' asks nothing of whom it is for. */
  percent: DecimalText
}

/** What took from an invoice, or gave back to it, with its day. */
export interface OpenChange {
  day: Day
  amount: DecimalText
}

/** An invoice as interest is reckoned on it. */
export interface Bearing {
  amount: DecimalText
  dueDate: Day
  changes: readonly OpenChange[]
}

/**
 * The rates that are a customer's, the earliest first: those of its group, else those of its country, else those of
 * everybody.
 */
export function ratesOf(
  rates: readonly InterestRate[],
  { group, country }: { group: string; country: string },
): InterestRate[] {
  const closeness = [
    (one: InterestRate) => group !== '' && one.group === group && one.country === country,
    (one: InterestRate) => group !== '' && one.group === group && one.country === '',
    (one: InterestRate) => country !== '' && one.group === '' && one.country === country,
    (one: InterestRate) => one.group === '' && one.country === '',
  ]
  const found = closeness.map((fits) => rates.filter(fits)).find((some) => some.length > 0) ?? []
  return found.toSorted((a, b) => (a.from < b.from ? -1 : 1))
}

/**
 * Interest for late payment of one invoice: for each night from its due date to a day, what was open of it at the
 * end of the day × the rate of that day ÷ 100 ÷ 365; rounded once, at the end.
 * @param rates of the customer, see `ratesOf`; before the first nothing is asked
 * @returns the currency's digits; '0.00' where nothing is late
 */
export function interestOn(
  { amount, dueDate, changes }: Bearing,
  rates: readonly InterestRate[],
  until: Day,
  currency: Currency,
): DecimalText {
  if (until <= dueDate) return moneyText(0, currency)
  // between two days of these neither the open amount nor the rate changes
  const turns = [dueDate, ...changes.map((one) => one.day), ...rates.map((one) => one.from)]
    .filter((day) => day >= dueDate && day < until)
    .toSorted()
  const days = [...new Set(turns), until]
  const parts = days.slice(0, -1).map((day, place) => {
    const taken = sum(changes.filter((one) => one.day <= day).map((one) => one.amount))
    const open = Decimal.max(0, new Decimal(amount).plus(taken))
    const percent = rates.findLast((one) => one.from <= day)?.percent ?? '0'
    return open.times(percent).times(daysBetween(day, days[place + 1]!))
  })
  return moneyText(sum(parts).div(36_500), currency)
}

/** Rates with one of them put in its place, the newest of each group and country first. */
export const sortRates = (rates: readonly InterestRate[]): InterestRate[] =>
  rates.toSorted(
    (a, b) =>
      a.group.localeCompare(b.group) || a.country.localeCompare(b.country) || (a.from < b.from ? 1 : -1),
  )
