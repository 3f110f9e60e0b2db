import { makeDay, parseDay, type Day } from '../documents/days'
import { formatNumber, nextCounter, type NumberFacts, type NumberSeries } from './series'

/** A number as a series would write it, and which one of all it is. */
export interface NumberSample {
  what: 'next' | 'first' | 'first of the next period' | 'first of an order' | 'second of an order'
  number: string
}

/** A day in the period of a series that comes after the one of `day`. */
export function dayOfNextPeriod(series: NumberSeries, day: Day): Day {
  const { year, month } = parseDay(day)
  switch (series.restart) {
    case 'month':
      return makeDay(year, month + 1, 1)
    case 'business year':
      return makeDay(month >= series.businessYearStart ? year + 1 : year, series.businessYearStart, 1)
    default:
      return makeDay(year + 1, 1, 1)
  }
}

/**
 * The numbers by which a person sees how a series counts.
 * @param last the counter that was drawn last in the period of the facts' date
 */
export function samplesOf(
  series: NumberSeries,
  facts: NumberFacts,
  last: number | undefined,
): NumberSample[] {
  const write = (counter: number, date = facts.date) => formatNumber(series, counter, { ...facts, date })
  if (series.source === 'order')
    return [
      { what: 'first of an order', number: write(1) },
      { what: 'second of an order', number: write(2) },
    ]
  return [
    { what: 'next', number: write(nextCounter(series, last)) },
    { what: 'first', number: write(series.start) },
    ...(series.restart === 'never'
      ? []
      : [
          {
            what: 'first of the next period' as const,
            number: write(series.start, dayOfNextPeriod(series, facts.date)),
          },
        ]),
  ]
}
