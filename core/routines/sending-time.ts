import { addDays, dayInZone, instantInZone } from '../documents/days'
import type { SendingHours } from './sentence'
import type { Calendar } from './time'

/**
 * When a paper issued now may leave: after the delay, and then within the sending hours of the house's calendar.
 */
export function sendingTime(
  now: Date,
  delayMinutes: number,
  hours: SendingHours | null | undefined,
  { zone, isWorkingDay }: Calendar,
): Date {
  const earliest = new Date(now.getTime() + delayMinutes * 60_000)
  if (!hours) return earliest
  const day = dayInZone(earliest, zone)
  for (let ahead = 0; ahead < 31; ahead++) {
    const candidate = addDays(day, ahead)
    if (hours.workdays && !isWorkingDay(candidate)) continue
    const opens = instantInZone(candidate, hours.from, zone)
    const closes = instantInZone(candidate, hours.to, zone)
    if (earliest < closes) return earliest > opens ? earliest : opens
  }
  return earliest
}
