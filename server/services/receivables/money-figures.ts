import { addDays, monthsBefore, startOfMonth, type Day } from '../../../core/documents/days'
import { daysOutstanding } from '../../../core/receivables/outstanding'
import { company } from '../house/house'
import { houseSettings } from '../house/settings'
import type { Principal } from '../people/principal'
import { today } from './accounts-queries'
import { afterReminders, currenciesBooked, owedAt } from './money-figures-queries'

/*
 * How fast money comes: what was owed at the end of each month by age, days sales outstanding, and what came after
 * each level of reminding. Called from the figures of Accounts; it reads and changes nothing.
 */

const months = 12
/** So many days of invoices stand against what is open. */
const salesDays = 90
/** Days after a reminder within which money is counted. */
export const within = [7, 14, 30] as const

export interface MonthOwed {
  /** Its last day, or today. */
  until: Day
  /** Open invoices by ageing step, in the order of `ageingSteps`, and in all. */
  steps: string[]
  open: string
  /** Invoiced less credited in the 90 days until then, `from` the first of them. */
  invoiced: string
  from: Day
  outstanding: number | null
}

export interface LevelFigures {
  level: number
  name: string
  /** Invoices that were reminded at the level, and what of them was open then. */
  items: number
  asked: string
  /** What came of it within 7, 14 and 30 days. */
  came: string[]
}

export interface MoneyFigures {
  currency: string
  currencies: string[]
  /** Oldest first; the last is today. */
  months: MonthOwed[]
  levels: LevelFigures[]
}

/** @param wanted the house's currency, where it is none that anything was booked in */
export async function moneyFigures(wanted: string, who: Principal): Promise<MoneyFigures> {
  const house = await company()
  const currencies = (await currenciesBooked(who)).map((one) => one.currency)
  const currency = currencies.includes(wanted) ? wanted : house.currency
  const day = await today()
  const ends = Array.from({ length: months }, (_, back) =>
    back === 0 ? day : addDays(startOfMonth(monthsBefore(day, back - 1)), -1),
  ).reverse()
  const owed = await owedAt(who, { ends, currency, salesDays })
  const { reminders } = await houseSettings()
  const levels = await afterReminders(who, { currency, since: ends[0]!, within })
  return {
    currency,
    currencies,
    months: owed.map(({ until, steps, open, invoiced, days }) => ({
      until,
      steps,
      open,
      invoiced,
      from: addDays(until, 1 - salesDays),
      // a young house has not sold for so long yet
      outstanding: daysOutstanding(open, invoiced, Math.max(1, days ?? 1)),
    })),
    levels: levels.map((one) => ({
      ...one,
      name: (reminders.levels[one.level - 1] ?? reminders.levels.at(-1)!).name,
    })),
  }
}
