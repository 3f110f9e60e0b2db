import { localeOf, type Language } from '../money/format'

/** A date without time, ISO 8601 "2026-11-24". Compared as text, later is larger. */
export type Day = string

/** The parts of a day. @throws RangeError when it is no calendar day. */
export function parseDay(day: Day): { year: number; month: number; day: number } {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day)
  if (!match) throw new RangeError(`"${day}" is not a day like 2026-11-24`)
  const [year, month, date] = [Number(match[1]), Number(match[2]), Number(match[3])]
  if (month < 1 || month > 12 || date < 1 || date > lastDayOfMonth(year, month))
    throw new RangeError(`"${day}" is not in the calendar`)
  return { year, month, day: date }
}

/**
 * A day from parts; the day of the month is drawn back to the month's last. Months above 12 run into the next
 * years.
 */
export function makeDay(year: number, month: number, date: number): Day {
  const y = year + Math.floor((month - 1) / 12)
  const m = ((((month - 1) % 12) + 12) % 12) + 1
  const d = Math.min(date, lastDayOfMonth(y, m))
  return `${String(y).padStart(4, '0')}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`
}

/** Days in a month of the Gregorian calendar. */
export function lastDayOfMonth(year: number, month: number): number {
  return new Date(Date.UTC(year, month, 0)).getUTCDate()
}

/** The first day of a day's month. */
export const startOfMonth = (day: Day): Day => `${day.slice(0, 7)}-01`

export function addDays(day: Day, days: number): Day {
  const { year, month, day: date } = parseDay(day)
  return new Date(Date.UTC(year, month - 1, date + days)).toISOString().slice(0, 10)
}

/** The same date so many months before; the month's last day where it has no such date. */
export function monthsBefore(day: Day, months: number): Day {
  const { year, month, day: date } = parseDay(day)
  const first = makeDay(year, month - months, 1)
  const found = parseDay(first)
  return makeDay(found.year, found.month, Math.min(date, lastDayOfMonth(found.year, found.month)))
}

/** Whole days from one day to another; below zero where the second is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)
}

const formatters = new Map<string, Intl.DateTimeFormat>()

/** Kept by what it formats: making one takes longer than a hundred uses of it. */
function formatter(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale} ${Object.values(options).join(' ')}`
  let found = formatters.get(key)
  if (!found) {
    found = new Intl.DateTimeFormat(locale, options)
    formatters.set(key, found)
  }
  return found
}

/** The calendar day that an instant falls on in a zone (IANA name). */
export function dayInZone(instant: Date, zone: string): Day {
  return formatter('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(instant)
}

/** A day written out: "24 November 2026", "24. November 2026". */
export function formatDay(day: Day, language: Language, month: 'long' | 'short' = 'long'): string {
  const { year, month: m, day: date } = parseDay(day)
  return formatter(localeOf[language], {
    timeZone: 'UTC',
    day: 'numeric',
    month,
    year: 'numeric',
  })
    .format(new Date(Date.UTC(year, m - 1, date)))
    .replaceAll('\u202F', '\u00A0')
}

/** A day as the interface and its sentences write it: "27 Nov 2026". */
export const dayWords = (day: Day): string => formatDay(day, 'en', 'short')

/** 1 Monday … 7 Sunday (ISO 8601). */
export function weekdayOf(day: Day): number {
  const { year, month, day: date } = parseDay(day)
  return new Date(Date.UTC(year, month - 1, date)).getUTCDay() || 7
}

/**
 * The instant at which a wall clock in a zone shows "08:30" on a day. In the hour a clock skips, the instant
 * just after it.
 */
export function instantInZone(day: Day, time: string, zone: string): Date {
  const { year, month, day: date } = parseDay(day)
  const wanted = Date.UTC(year, month - 1, date, Number(time.slice(0, 2)), Number(time.slice(3)))
  const shownAt = (instant: number) => {
    const parts = Object.fromEntries(
      formatter('en-CA', {
        timeZone: zone,
        hourCycle: 'h23',
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
      })
        .formatToParts(instant)
        .map((part) => [part.type, Number(part.value)]),
    )
    return Date.UTC(parts.year!, parts.month! - 1, parts.day, parts.hour, parts.minute)
  }
  let instant = wanted
  for (let turn = 0; turn < 2; turn++) instant += wanted - shownAt(instant)
  return new Date(instant)
}

/** Whether a text is a day of the calendar, from 1900 to 2199. */
export function isDay(text: string): boolean {
  if (!/^(19|20|21)\d{2}-\d{2}-\d{2}$/.test(text)) return false
  const [year, month, day] = text.split('-').map(Number) as [number, number, number]
  return month >= 1 && month <= 12 && day >= 1 && day <= new Date(Date.UTC(year, month, 0)).getUTCDate()
}
