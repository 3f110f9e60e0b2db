import { badInput } from '../errors'
import { parseDay, type Day } from '../documents/days'
import { joined, told, toldCountry, type Told } from '../said/told'

/** How a kind of document is numbered: prefix + zero-padded counter + suffix. */
export interface NumberSeries {
  /** Text with date parts in braces: {year} {yy} {month} {day} {quarter} {brand} {order}. */
  prefix: string
  suffix: string
  /** Digits of the counter, padded with zeros. A counter that outgrows it gets more digits and is never cut. */
  length: number
  /** First number of the series, and of each new period. */
  start: number
  restart: Restart
  /** 1–12; the month a business year begins in, for restart "business year". */
  businessYearStart: number
  /** Its own counter, or the order's number: the second document of an order then ends in -2, the third in -3. */
  source?: 'own' | 'order'
}

export type Restart = 'never' | 'year' | 'business year' | 'month'

/** What the date parts are taken from: always the document date, in the house's zone. */
export interface NumberFacts {
  date: Day
  /** Short code of the brand, e.g. "TH". */
  brand: string
  order: string
}

export const numberParts = ['year', 'yy', 'month', 'day', 'quarter', 'brand', 'order'] as const
type NumberPart = (typeof numberParts)[number]

function part(name: NumberPart, facts: NumberFacts): string {
  const { year, month, day } = parseDay(facts.date)
  switch (name) {
    case 'year':
      return String(year)
    case 'yy':
      return String(year % 100).padStart(2, '0')
    case 'month':
      return String(month).padStart(2, '0')
    case 'day':
      return String(day).padStart(2, '0')
    case 'quarter':
      return String(Math.ceil(month / 3))
    case 'brand':
      return facts.brand
    case 'order':
      return facts.order
  }
}

function fill(text: string, facts: NumberFacts): string {
  return text.replace(/\{(\w+)\}/g, (_, name: string) => part(name as NumberPart, facts))
}

/** The finished number. */
export function formatNumber(series: NumberSeries, counter: number, facts: NumberFacts): string {
  const middle =
    series.source === 'order'
      ? facts.order + (counter > 1 ? `-${counter}` : '')
      : String(counter).padStart(series.length, '0')
  return fill(series.prefix, facts) + middle + fill(series.suffix, facts)
}

/**
 * The period whose counter a document of this date (or, where the number is the order's, of this order) draws
 * from; "" when the series never restarts. A late document continues its own period.
 */
export function periodOf(series: NumberSeries, date: Day, order = ''): string {
  if (series.source === 'order') return `order ${order}`
  const { year, month } = parseDay(date)
  switch (series.restart) {
    case 'never':
      return ''
    case 'year':
      return String(year)
    case 'month':
      return `${year}-${String(month).padStart(2, '0')}`
    case 'business year':
      return month >= series.businessYearStart ? `${year}` : `${year - 1}`
  }
}

/** The number after the last one of a period; the first when there was none. */
export function nextCounter(series: NumberSeries, last: number | undefined): number {
  return last === undefined ? series.start : last + 1
}

/**
 * A stand-in as wide as the real number can be, for laying a paper out before its number is drawn: "0" is the
 * widest tabular digit.
 */
export function numberStandIn(series: NumberSeries, facts: NumberFacts, last: number | undefined): string {
  if (series.source === 'order')
    return `${fill(series.prefix, facts)}${facts.order}-0${fill(series.suffix, facts)}`
  const digits = Math.max(series.length, String(nextCounter(series, last)).length)
  return fill(series.prefix, facts) + '0'.repeat(digits) + fill(series.suffix, facts)
}

/**
 * Says everything that is wrong with a series before it is kept.
 * @throws Refusal with the field it is about
 */
export function checkSeries(series: NumberSeries): void {
  for (const field of ['prefix', 'suffix'] as const) {
    const text = series[field]
    if (/[\p{Cc}\p{Cf}]/u.test(text)) throw badInput('bad-series/invisible', field, { field })
    if (text.length > 24) throw badInput('bad-series/long', field, { field })
    for (const [whole, name] of text.matchAll(/\{([^}]*)\}?/g)) {
      if (!numberParts.includes(name as NumberPart) || !whole.endsWith('}')) {
        throw badInput('bad-series/part', field, {
          part: whole,
          parts: numberParts.map((known) => `{${known}}`).join(' '),
        })
      }
    }
    if (/\}/.test(text.replace(/\{[^}]*\}/g, ''))) throw badInput('bad-series/brace', field, { field })
  }
  if (!Number.isInteger(series.length) || series.length < 1 || series.length > 12)
    throw badInput('bad-series/digits', 'length')
  if (!Number.isInteger(series.start) || series.start < 1) throw badInput('bad-series/first', 'start')
  if (series.businessYearStart < 1 || series.businessYearStart > 12)
    throw badInput('bad-series/month', 'businessYearStart')
  if (series.source === 'order') return
  const text = series.prefix + series.suffix
  const hasYear = /\{(year|yy)\}/.test(text)
  const hasMonth = /\{month\}/.test(text)
  if (series.restart === 'year' && !hasYear) {
    throw badInput('bad-series/yearly', 'prefix', { year: '{year}' })
  }
  if (series.restart === 'business year' && !hasYear)
    throw badInput('bad-series/business-year', 'prefix', { year: '{year}' })
  if (series.restart === 'business year' && series.businessYearStart !== 1 && !hasMonth) {
    throw badInput('bad-series/mid-year', 'prefix', { year: '{year}', month: '{month}' })
  }
  if (series.restart === 'month' && !(hasYear && hasMonth)) {
    throw badInput('bad-series/monthly', 'prefix', { year: '{year}', month: '{month}' })
  }
}

/** What a series is kept for; empty is for all. */
export interface SeriesScope {
  country: string
  currency: string
  /** A branch of its brand, by name. */
  branch: string
}

/** What a closer series is for: "customers in Germany and documents in GBP"; null for the one for all. */
export function toldScope({ country, currency, branch }: SeriesScope): Told | null {
  const parts = [
    ...(branch ? [told('scope/branch', { branch })] : []),
    ...(country ? [told('scope/country', { country: toldCountry(country) })] : []),
    ...(currency ? [told('scope/currency', { currency })] : []),
  ]
  return parts.length === 0 ? null : joined(parts, 'list/and')
}

/**
 * The series kept most closely for a document: its branch before its country before its currency before the one
 * for all.
 */
export function seriesFor<Series extends SeriesScope>(
  all: readonly Series[],
  of: SeriesScope,
): Series | undefined {
  const fits = all.filter(
    (one) =>
      (one.branch === '' || one.branch === of.branch) &&
      (one.country === '' || one.country === of.country) &&
      (one.currency === '' || one.currency === of.currency),
  )
  const closeness = (one: Series) => (one.branch ? 4 : 0) + (one.country ? 2 : 0) + (one.currency ? 1 : 0)
  return fits.sort((a, b) => closeness(b) - closeness(a))[0]
}

/** What every number of a series looks like on a day: the text before and after its counter. */
export function aroundCounter(series: NumberSeries, facts: NumberFacts): { before: string; after: string } {
  return { before: fill(series.prefix, facts), after: fill(series.suffix, facts) }
}

/** The counter with which a series draws just this number; null where its numbers never read so. */
export function counterIn(series: NumberSeries, facts: NumberFacts, number: string): number | null {
  const { before, after } = aroundCounter(series, facts)
  if (!number.startsWith(before) || !number.endsWith(after)) return null
  const digits = number.slice(before.length, number.length - after.length)
  if (!/^\d{1,15}$/.test(digits)) return null
  return formatNumber(series, Number(digits), facts) === number ? Number(digits) : null
}

/** A number as part of a file name: what no file system takes becomes a hyphen, the rest stays. */
export function fileNamePart(number: string): string {
  return number.replace(/[\\/:*?"<>|\p{Cc}\s]+/gu, '-').replace(/^[.-]+|[.-]+$/g, '') || 'document'
}
