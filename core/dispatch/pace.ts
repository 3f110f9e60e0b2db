import { joined, told, type Told } from '../said/told'

/** How many emails a mail account takes in a minute, an hour and a day; null is no limit. */
export interface Pace {
  perMinute: number | null
  perHour: number | null
  perDay: number | null
}

const hour = 60
const day = 24 * hour

/**
 * The minutes in which emails go, the earliest possible, in their order and after all that were given out before: so
 * that no minute, no sixty minutes and no 1,440 minutes in a row hold more than the account takes.
 * @param count how many emails ask for a minute
 * @param now the minute it is, as minutes since 1970
 * @param given emails by minute, of the last day and of the time to come
 */
export function slotsFor(
  count: number,
  now: number,
  pace: Pace,
  given: ReadonlyMap<number, number>,
): number[] {
  const taken = new Map(given)
  const within = (minutes: number, last: number) => {
    let sum = 0
    for (const [minute, emails] of taken) if (minute > last - minutes && minute <= last) sum += emails
    return sum
  }
  const fits = (minute: number) =>
    (pace.perMinute === null || (taken.get(minute) ?? 0) < pace.perMinute) &&
    (pace.perHour === null || within(hour, minute) < pace.perHour) &&
    (pace.perDay === null || within(day, minute) < pace.perDay)
  let at = Math.max(now, ...given.keys())
  return Array.from({ length: count }, () => {
    while (!fits(at)) at++
    taken.set(at, (taken.get(at) ?? 0) + 1)
    return at
  })
}

/** What an account takes, the shortest time first. */
export const toldPace = ({ perMinute, perHour, perDay }: Pace): Told =>
  joined(
    [
      ...(perMinute === null ? [] : [told('pace/minute', { n: perMinute })]),
      ...(perHour === null ? [] : [told('pace/hour', { n: perHour })]),
      ...(perDay === null ? [] : [told('pace/day', { n: perDay })]),
    ],
    'list/comma',
  )
