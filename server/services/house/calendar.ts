import { plainWorkingDay, type Calendar } from '../../../core/routines/time'
import type { Day } from '../../../core/documents/days'
import { company } from './house'

/* The house's calendar: its zone, and the public holidays of its country, or of a part of that. */

const holidays = new Map<string, Promise<ReadonlySet<Day>>>()

/** A large table: read once something asks for it. */
const table = async () => (await import('date-holidays')).default

/** Public holidays of a country, or of a part of it, in a year; of a country that is not known, none. */
async function holidaysOf(country: string, region: string, year: number): Promise<ReadonlySet<Day>> {
  const Holidays = await table()
  const found = new Holidays(country, region, { types: ['public'] }).getHolidays(year)
  return new Set((found ?? []).map((one) => one.date.slice(0, 10)))
}

function keptHolidays(country: string, region: string, year: number): Promise<ReadonlySet<Day>> {
  const key = `${country} ${region} ${year}`
  const found = holidays.get(key) ?? holidaysOf(country, region, year)
  holidays.set(key, found)
  return found
}

/** The parts of a country that have public holidays of their own, by the code that they are kept by, by name. */
export async function holidayRegions(country: string): Promise<{ code: string; name: string }[]> {
  const Holidays = await table()
  const regions: Record<string, string> = new Holidays().getStates(country) ?? {}
  return Object.entries(regions)
    .map(([code, name]) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name))
}

/** The calendar around an instant: it knows the holidays of its year, the one before and the next. */
export async function houseCalendar(now: Date): Promise<Calendar> {
  const { timeZone, country, holidayRegion } = await company()
  const year = now.getUTCFullYear()
  const known = await Promise.all(
    [year - 1, year, year + 1].map((one) => keptHolidays(country, holidayRegion, one)),
  )
  return {
    zone: timeZone,
    isWorkingDay: (day) => plainWorkingDay(day) && !known.some((days) => days.has(day)),
  }
}
