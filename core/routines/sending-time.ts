import { addDays, dayInZone, instantInZone, weekdayOf } from '../documents/days'
import type { SendingHours } from './sentence'

/**
 * When a paper issued now may leave: after the delay, and then within the sending hours of the house's zone.
 * Working days are Monday to Friday.
 */
export function sendingTime(
  now: Date,
  delayMinutes: number,
  hours: SendingHours | null | undefined,
  zone: string,
): Date {
  const earliest = new Date(now.getTime() + delayMinutes * 60_000)
  if (!hours) return earliest
  const day = dayInZone(earliest, zone)
  for (let ahead = 0; ahead < 8; ahead++) {
    const candidate = addDays(day, ahead)
    if (hours.workdays && weekdayOf(candidate) > 5) continue
    const opens = instantInZone(candidate, hours.from, zone)
    const closes = instantInZone(candidate, hours.to, zone)
    if (earliest < closes) return earliest > opens ? earliest : opens
  }
  return earliest
}
