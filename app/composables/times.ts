import { houseToday, longDay } from './format'
import { monthsBefore } from '../../core/documents/days'

/** Since when a list looks back: offered in words; another first day is said as a date. */
export function timeChoices() {
  const today = houseToday()
  const times = [
    { value: '', words: 'any time' },
    { value: today, words: 'today' },
    { value: monthsBefore(today, 1), words: 'the last month' },
    { value: monthsBefore(today, 3), words: 'the last three months' },
  ]
  const timeWords = (from: string) =>
    times.find((one) => one.value === from)?.words ?? `since ${longDay(from)}`
  return { times, timeWords }
}
