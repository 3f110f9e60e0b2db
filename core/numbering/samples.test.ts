import { describe, expect, test } from 'vitest'
import { dayOfNextPeriod, samplesOf } from './samples'
import { periodOf, type NumberSeries } from './series'

const series: NumberSeries = {
  prefix: 'INV-{year}-',
  suffix: '',
  length: 5,
  start: 1,
  restart: 'year',
  businessYearStart: 4,
  source: 'own',
}
const facts = { date: '2026-11-27', brand: 'TH', order: 'SO-20931' }
const numbers = (change: Partial<NumberSeries>, last?: number) =>
  samplesOf({ ...series, ...change }, facts, last).map((one) => one.number)

describe('the samples of a number series', () => {
  test('are the next number, the first of all, and the first after it begins again', () => {
    expect(numbers({}, 41)).toEqual(['INV-2026-00042', 'INV-2026-00001', 'INV-2027-00001'])
  })

  test('go on from its start where nothing was numbered yet', () => {
    expect(numbers({ start: 700 })[0]).toBe('INV-2026-00700')
  })

  test('leave out a restart that never comes', () => {
    expect(numbers({ restart: 'never' }, 41)).toEqual(['INV-2026-00042', 'INV-2026-00001'])
  })

  test('of a series that takes the order’s number show its first and second document', () => {
    expect(numbers({ source: 'order', prefix: 'RE-' })).toEqual(['RE-SO-20931', 'RE-SO-20931-2'])
  })
})

test.each([
  ['month', '2026-12-31', '2027-01-01'],
  ['year', '2026-01-01', '2027-01-01'],
  ['business year', '2026-03-31', '2026-04-01'],
  ['business year', '2026-04-01', '2027-04-01'],
] as const)('the period by %s after that of %s begins on %s', (restart, day, next) => {
  const one = { ...series, restart }
  expect(dayOfNextPeriod(one, day)).toBe(next)
  expect(periodOf(one, next)).not.toBe(periodOf(one, day))
})
