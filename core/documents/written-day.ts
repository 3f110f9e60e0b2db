import { addDays, isDay, parseDay, type Day } from './days'

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/**
 * Reads a date as people write it, the day before the month: "27 Nov 2026", "27.11.2026", "27/11/26",
 * "27.11." (this year), "today", "yesterday",
 * and ISO 8601. undefined where it is none; the order of day and month is never guessed.
 */
export function readWrittenDay(written: string, today: Day): Day | undefined {
  const text = written.trim().toLowerCase()
  if (text === 'today') return today
  if (text === 'yesterday') return addDays(today, -1)
  if (isDay(text)) return text
  const thisYear = String(parseDay(today).year)
  const named = /^(\d{1,2})\.?\s+([a-z]{3})[a-z]*\.?(?:\s+(\d{4}))?$/.exec(text)
  if (named) return made(named[3] ?? thisYear, months.indexOf(named[2]!) + 1, named[1]!)
  const numbers = /^(\d{1,2})[./-](\d{1,2})(?:[./-](\d{2}|\d{4})?)?$/.exec(text)
  if (numbers) return made(numbers[3] ?? thisYear, Number(numbers[2]), numbers[1]!)
  return undefined
}

function made(year: string, month: number, day: string): Day | undefined {
  const full = year.length === 2 ? `20${year}` : year
  const found = `${full}-${String(month).padStart(2, '0')}-${day.padStart(2, '0')}`
  return isDay(found) && found >= '1900-01-01' && found <= '2199-12-31' ? found : undefined
}
