import { addDays, dayWords, type Day } from './days'

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

/** Why a document cannot bear a date, in words; undefined when it can. */
export function dateRefusal(
  date: Day,
  { today, closedUntil, newest, earlierOk }: DateLimits,
): string | undefined {
  if (closedUntil !== null && date <= closedUntil)
    return (
      `Its date ${dayWords(date)} lies in a closed period (closed until ${dayWords(closedUntil)}). ` +
      'Choose a later date, or have a supervisor open the period.'
    )
  if (date > today) return `Its date ${dayWords(date)} is in the future. A document is dated today or before.`
  if (newest !== null && date < newest && !earlierOk)
    return (
      `Its date ${dayWords(date)} is before ${dayWords(newest)}, the newest of its series: dates would ` +
      'run backwards. Choose that day or a later one, or say on the draft that the earlier date is meant.'
    )
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
