import {
  addDays,
  dayInZone,
  instantInZone,
  lastDayOfMonth,
  parseDay,
  weekdayOf,
  type Day,
} from '../documents/days'
import { badInput } from '../errors'
import { told, type Told } from '../said/told'

/** On which days a routine of the clock has its turn. */
export const turns = ['day', 'working day', 'week', 'month', 'first working day', 'last working day'] as const
export type Turn = (typeof turns)[number]

/** When a routine has its turn, in the house's zone. */
export interface TimePattern {
  each: Turn
  /** Of a week: 1 Monday … 7 Sunday (ISO 8601). Of a month: its day; the last one where it has no such day. */
  on?: number
  /** "07:00" */
  time: string
}

/** The house's calendar: its zone (IANA name), and which days are worked on. */
export interface Calendar {
  zone: string
  isWorkingDay: (day: Day) => boolean
}

/** Monday to Friday, where no holidays are known. */
export const plainWorkingDay = (day: Day): boolean => weekdayOf(day) <= 5

/** Monday to Sunday (ISO 8601). */
export const weekdays = [1, 2, 3, 4, 5, 6, 7] as const

const isOnlyOneAmong = (days: readonly Day[], day: Day, { isWorkingDay }: Calendar) =>
  isWorkingDay(day) && !days.some(isWorkingDay)

/** Whether it has its turn on a day. */
function isItsDay({ each, on = 1 }: TimePattern, day: Day, calendar: Calendar): boolean {
  const { year, month, day: date } = parseDay(day)
  const last = lastDayOfMonth(year, month)
  const daysOfMonth = (from: number, to: number) =>
    Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => addDays(day, from + index - date))
  switch (each) {
    case 'day':
      return true
    case 'working day':
      return calendar.isWorkingDay(day)
    case 'week':
      return weekdayOf(day) === on
    case 'month':
      return date === Math.min(on, last)
    case 'first working day':
      return isOnlyOneAmong(daysOfMonth(1, date - 1), day, calendar)
    case 'last working day':
      return isOnlyOneAmong(daysOfMonth(date + 1, last), day, calendar)
  }
}

/** So far a turn is looked for: a month may have no working day at all in a strange calendar. */
const daysLooked = 400

/** Its first turn after an instant; null where there is none in sight. */
export function nextTurn(pattern: TimePattern, after: Date, calendar: Calendar): Date | null {
  const first = dayInZone(after, calendar.zone)
  for (let ahead = 0; ahead < daysLooked; ahead++) {
    const day = addDays(first, ahead)
    if (!isItsDay(pattern, day, calendar)) continue
    const at = instantInZone(day, pattern.time, calendar.zone)
    if (at > after) return at
  }
  return null
}

/** Its turns after one instant and until another, the newest first, at most so many. */
export function turnsBetween(
  pattern: TimePattern,
  span: { after: Date; until: Date },
  calendar: Calendar,
  most = daysLooked,
): Date[] {
  const found: Date[] = []
  const last = dayInZone(span.until, calendar.zone)
  for (let back = 0; back < daysLooked && found.length < most; back++) {
    const day = addDays(last, -back)
    if (!isItsDay(pattern, day, calendar)) continue
    const at = instantInZone(day, pattern.time, calendar.zone)
    if (at <= span.after) break
    if (at <= span.until) found.push(at)
  }
  return found
}

/** When it has its turn, as it stands in the sentence: "on a working day at 07:00". */
export function toldTime({ each, on = 1, time }: TimePattern): Told {
  switch (each) {
    case 'week':
      return told('turn/week', { weekday: told(`weekday/${weekdays[on - 1]!}`), time })
    case 'month':
      return told(on >= 29 ? 'turn/month-or-last' : 'turn/month', { day: on, time })
    default:
      return told(`turn/${each}`, { time })
  }
}

/** @throws Refusal "bad-sentence" where it is no time that comes */
export function checkTime(pattern: TimePattern | undefined): void {
  if (!pattern) throw badInput('bad-sentence/no-time', 'at')
  const { each, on, time } = pattern
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(time)) throw badInput('bad-sentence/no-time', 'at')
  const highest = each === 'week' ? 7 : each === 'month' ? 31 : undefined
  if (highest && !(on !== undefined && Number.isInteger(on) && on >= 1 && on <= highest))
    throw badInput('bad-sentence/which-day', 'at')
}
