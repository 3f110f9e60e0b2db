import { told, toldDay, type Told } from '../said/told'
import { addDays, type Day } from './days'

/** What a document date is held against. */
export interface DateLimits {
  today: Day
  /** Last day of the closed accounting periods; nothing is dated on it or before. */
  closedUntil: Day | null
  /** The newest date in the same series and period. */
  newest: Day | null
  /** A person has said that the earlier date is meant. */
  earlierOk: boolean
}

/** Why a document cannot bear a date; undefined when it can. */
export function dateRefusal(
  date: Day,
  { today, closedUntil, newest, earlierOk }: DateLimits,
): Told | undefined {
  const its = { date: toldDay(date) }
  if (closedUntil !== null && date <= closedUntil)
    return told('date/closed', { ...its, until: toldDay(closedUntil) })
  if (date > today) return told('date/future', its)
  if (newest !== null && date < newest && !earlierOk)
    return told('date/backwards', { ...its, newest: toldDay(newest) })
  return undefined
}

/**
 * The date of a document that is dated by its event: the event's day, but never in a closed period, in the
 * future, or before the newest of its series.
 */
export function eventDate(eventDay: Day, { today, closedUntil, newest }: Omit<DateLimits, 'earlierOk'>): Day {
  const open = closedUntil !== null && eventDay <= closedUntil ? addDays(closedUntil, 1) : eventDay
  const inOrder = newest !== null && newest > open ? newest : open
  return inOrder > today ? today : inOrder
}
