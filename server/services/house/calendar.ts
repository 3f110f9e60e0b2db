import { plainWorkingDay, type Calendar } from '../../../core/routines/time'
import type { Day } from '../../../core/documents/days'
import { company } from './house'

/* The house's calendar: its zone, and the public holidays of its country. */

const holidays = new Map<string, Promise<ReadonlySet<Day>>>()

/** Public holidays of a country in a year; of a country that is not known, none. */
async function holidaysOf(country: string, year: number): Promise<ReadonlySet<Day>> {
  // a large table: read once something asks for it
  const { default: Holidays } = await import('date-holidays')
  const found = new Holidays(country, { types: ['public'] }).getHolidays(year)
  return new Set((found ?? []).map((one) => one.date.slice(0, 10)))
}

function keptHolidays(country: string, year: number): Promise<ReadonlySet<Day>> {
  const key = `${country} ${year}`
  const found = holidays.get(key) ?? holidaysOf(country, year)
  holidays.set(key, found)
  return found
}

/** The calendar around an instant: it knows the holidays of its year, the one before and the next. */
export async function houseCalendar(now: Date): Promise<Calendar> {
  const { timeZone, country } = await company()
  const year = now.getUTCFullYear()
  const known = await Promise.all([year - 1, year, year + 1].map((one) => keptHolidays(country, one)))
  return {
    zone: timeZone,
    isWorkingDay: (day) => plainWorkingDay(day) && !known.some((days) => days.has(day)),
  }
}
