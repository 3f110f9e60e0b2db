import { describe, expect, test } from 'vitest'
import {
  checkSeries,
  counterIn,
  fileNamePart,
  formatNumber,
  nextCounter,
  numberStandIn,
  periodOf,
  toldScope,
  seriesFor,
  type NumberSeries,
  type SeriesScope,
} from './series'

const series = (change: Partial<NumberSeries> = {}): NumberSeries => ({
  prefix: 'INV-{year}-',
  suffix: '',
  length: 5,
  start: 1,
  restart: 'year',
  businessYearStart: 1,
  ...change,
})
const facts = { date: '2026-11-24', brand: 'TH', order: 'SO-20931' }

describe('numbers of a series', () => {
  test('prefix, padded counter and suffix, with date parts of the document date', () => {
    expect(formatNumber(series(), 42, facts)).toBe('INV-2026-00042')
    expect(
      formatNumber(
        series({ prefix: '{brand}/{yy}{month}{day}/Q{quarter}/', suffix: '/{order}', length: 3 }),
        7,
        facts,
      ),
    ).toBe('TH/261124/Q4/007/SO-20931')
  })

  test('a counter that outgrows its length gets more digits and is never cut', () => {
    expect(formatNumber(series({ length: 2 }), 1234, facts)).toBe('INV-2026-1234')
    expect(numberStandIn(series({ length: 2 }), facts, 999)).toBe('INV-2026-0000')
  })

  test('a number of another program is one of the series only where the series draws just that', () => {
    expect(counterIn(series(), facts, 'INV-2026-00412')).toBe(412)
    expect(counterIn(series(), facts, 'INV-2026-412')).toBeNull()
    expect(counterIn(series(), facts, 'INV-2025-00412')).toBeNull()
    expect(counterIn(series(), facts, 'INV-2026-')).toBeNull()
    expect(counterIn(series({ prefix: 'R-', suffix: '/A', length: 1 }), facts, 'R-7/A')).toBe(7)
  })

  test("a series may go on from another program's last number", () => {
    expect(nextCounter(series({ start: 4711 }), undefined)).toBe(4711)
    expect(nextCounter(series({ start: 4711 }), 4711)).toBe(4712)
  })

  test("a late document of the old year goes on with the old year's counter", () => {
    expect(periodOf(series(), '2025-12-31')).toBe('2025')
    expect(periodOf(series(), '2026-01-01')).toBe('2026')
    expect(periodOf(series({ restart: 'business year', businessYearStart: 4 }), '2026-03-31')).toBe('2025')
    expect(periodOf(series({ restart: 'month' }), '2026-03-31')).toBe('2026-03')
    expect(periodOf(series({ restart: 'never' }), '2026-03-31')).toBe('')
  })
})

describe('a series is refused before it can do harm', () => {
  test.each([
    [{ prefix: 'INV-' }, 'Add {year}'],
    [{ prefix: 'INV-{year}-', restart: 'month' as const }, '{year} and {month}'],
    [{ prefix: '{yaer}-' }, '{yaer} is not a part of a number'],
    [{ prefix: '{year' }, 'is not a part of a number'],
    [{ length: 0 }, '1 to 12 digits'],
    [{ start: 0 }, '1 or more'],
    [{ prefix: 'A\u200B{year}' }, 'invisible character'],
    [{ prefix: '{year}', restart: 'business year' as const, businessYearStart: 4 }, 'mid-year'],
  ])('%o', (change, words) => {
    expect(() => checkSeries(series(change))).toThrow(words)
  })

  test('the usual ones pass', () => {
    for (const good of [
      series(),
      series({ prefix: 'INV-', restart: 'never' }),
      series({ prefix: '{year}{month}-', restart: 'month' }),
    ])
      expect(() => checkSeries(good)).not.toThrow()
  })
})

test('a number becomes a file name that every system takes', () => {
  expect(fileNamePart('TH/2026/0042')).toBe('TH-2026-0042')
  expect(fileNamePart('..')).toBe('document')
})

test('of several series a document draws from the closest: branch before country before currency', () => {
  const series = (name: string, of: Partial<SeriesScope>) => ({
    name,
    country: '',
    currency: '',
    branch: '',
    ...of,
  })
  const all = [
    series('all', {}),
    series('pounds', { currency: 'GBP' }),
    series('Germany', { country: 'DE' }),
    series('quay', { branch: 'Quay' }),
    series('quay in pounds', { branch: 'Quay', currency: 'GBP' }),
  ]
  const drawn = (of: Partial<SeriesScope>) =>
    seriesFor(all, { country: 'IE', currency: 'EUR', branch: '', ...of })?.name
  expect(drawn({})).toBe('all')
  expect(drawn({ currency: 'GBP', country: 'DE' })).toBe('Germany')
  expect(drawn({ branch: 'Quay', country: 'DE' })).toBe('quay')
  expect(drawn({ branch: 'Quay', currency: 'GBP' })).toBe('quay in pounds')
  expect(drawn({ branch: 'Hill' })).toBe('all')
  expect(toldScope({ country: '', currency: 'GBP', branch: 'Quay' })?.words).toBe(
    'the branch Quay and documents in GBP',
  )
})
