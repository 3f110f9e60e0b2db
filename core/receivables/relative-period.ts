import { addDays, makeDay, monthsBefore, parseDay, startOfMonth, type Day } from '../documents/days'
import type { StatementPeriod } from './statement'

/** What a statement that comes again and again is of, said once for all its times. */
export const relativePeriods = [
  'open items',
  'open at month end',
  'last month',
  'last quarter',
  'this year',
] as const
export type RelativePeriod = (typeof relativePeriods)[number]

/** The period that is meant on a day of the house's calendar. */
export function periodOn(relative: RelativePeriod, day: Day): StatementPeriod {
  const thisMonth = startOfMonth(day)
  switch (relative) {
    case 'open items':
      return { form: 'open items', until: day }
    case 'open at month end':
      return { form: 'open items', until: addDays(thisMonth, -1) }
    case 'last month':
      return { form: 'activity', from: monthsBefore(thisMonth, 1), until: addDays(thisMonth, -1) }
    case 'last quarter': {
      const { year, month } = parseDay(day)
      const begun = makeDay(year, month - ((month - 1) % 3), 1)
      return { form: 'activity', from: monthsBefore(begun, 3), until: addDays(begun, -1) }
    }
    case 'this year':
      return { form: 'activity', from: `${day.slice(0, 4)}-01-01`, until: day }
  }
}
