import { expect, test } from 'vitest'
import { periodOn, relativePeriods } from './relative-period'
import { occasionOf } from './statement'

test('a period is the same words on each of its times, and another one of the calendar', () => {
  const on = (day: string) => relativePeriods.map((one) => occasionOf(periodOn(one, day)))
  expect(on('2027-01-04')).toEqual([
    'open items 2027-01-04',
    'open items 2026-12-31',
    'activity 2026-12-01 to 2026-12-31',
    'activity 2026-10-01 to 2026-12-31',
    'activity 2027-01-01 to 2027-01-04',
  ])
  expect(on('2028-03-31')).toEqual([
    'open items 2028-03-31',
    'open items 2028-02-29',
    'activity 2028-02-01 to 2028-02-29',
    'activity 2027-10-01 to 2027-12-31',
    'activity 2028-01-01 to 2028-03-31',
  ])
})

test('last month is the same one on each of its days, so that it is claimed once', () => {
  const days = ['2026-11-01', '2026-11-15', '2026-11-30']
  expect(new Set(days.map((day) => occasionOf(periodOn('last month', day)))).size).toBe(1)
})
