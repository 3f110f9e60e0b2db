import { describe, expect, test } from 'vitest'
import { daysBetween, dayWords, monthsBefore } from './days'
import { readWrittenDay } from './written-day'

describe('a date as people write it', () => {
  test.each([
    ['27 Nov 2026', '2026-11-27'],
    ['27. november 2026', '2026-11-27'],
    ['1 mar', '2026-03-01'],
    ['27.11.2026', '2026-11-27'],
    ['7/3/26', '2026-03-07'],
    ['27.11.', '2026-11-27'],
    ['27-11', '2026-11-27'],
    ['2026-11-27', '2026-11-27'],
    [' Today ', '2026-11-30'],
    ['yesterday', '2026-11-29'],
  ])('%s', (written, day) => {
    expect(readWrittenDay(written, '2026-11-30')).toBe(day)
  })

  test.each(['11/27/2026', '31.2.2026', '30 Foo 2026', 'soon', '', '2026-13-01', '1/1/1700'])(
    '%s is none, and the order of day and month is not guessed',
    (written) => {
      expect(readWrittenDay(written, '2026-11-30')).toBeUndefined()
    },
  )

  test('is written back the same way', () => {
    expect(dayWords('2026-11-27')).toBe('27 Nov 2026')
    expect(readWrittenDay(dayWords('2026-02-03'), '2026-11-30')).toBe('2026-02-03')
  })
})

test('a month before the last of a month is the last of the month before', () => {
  expect(monthsBefore('2026-03-31', 1)).toBe('2026-02-28')
  expect(monthsBefore('2026-01-15', 3)).toBe('2025-10-15')
})

test('days between count across months and daylight saving', () => {
  expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2)
  expect(daysBetween('2026-11-27', '2026-09-04')).toBe(-84)
})
