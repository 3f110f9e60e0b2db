import { describe, expect, test } from 'vitest'
import { checkTime, nextTurn, plainWorkingDay, toldTime, turnsBetween, type TimePattern } from './time'

const christmas = ['2026-12-25', '2026-12-28', '2027-01-01']
const calendar = {
  zone: 'Europe/Dublin',
  isWorkingDay: (day: string) => plainWorkingDay(day) && !christmas.includes(day),
}
const next = (pattern: TimePattern, after: string) =>
  nextTurn(pattern, new Date(after), calendar)?.toISOString() ?? null
const at = '07:00'

describe('the next turn', () => {
  test('is today where the time is still to come, and else on the next such day', () => {
    expect(next({ each: 'day', time: at }, '2026-11-30T06:59:00Z')).toBe('2026-11-30T07:00:00.000Z')
    expect(next({ each: 'day', time: at }, '2026-11-30T07:00:00Z')).toBe('2026-12-01T07:00:00.000Z')
    expect(next({ each: 'week', on: 1, time: at }, '2026-11-30T08:00:00Z')).toBe('2026-12-07T07:00:00.000Z')
  })

  test('of working days leaves weekends and holidays out', () => {
    expect(next({ each: 'working day', time: at }, '2026-12-24T08:00:00Z')).toBe('2026-12-29T07:00:00.000Z')
    expect(next({ each: 'first working day', time: at }, '2026-12-24T08:00:00Z')).toBe(
      '2027-01-04T07:00:00.000Z',
    )
  })

  test('on the last working day of a month is not on its last day where that is a Sunday', () => {
    expect(next({ each: 'last working day', time: at }, '2027-01-02T08:00:00Z')).toBe(
      '2027-01-29T07:00:00.000Z',
    )
    expect(next({ each: 'last working day', time: at }, '2027-01-29T08:00:00Z')).toBe(
      '2027-02-26T07:00:00.000Z',
    )
  })

  test('on day 31 is on the last day of a month that has none', () => {
    expect(next({ each: 'month', on: 31, time: at }, '2027-02-01T00:00:00Z')).toBe('2027-02-28T07:00:00.000Z')
    expect(next({ each: 'month', on: 31, time: at }, '2027-03-01T00:00:00Z')).toBe('2027-03-31T06:00:00.000Z')
  })

  test('is by the clock on the wall when clocks are changed', () => {
    expect(next({ each: 'day', time: at }, '2027-03-27T12:00:00Z')).toBe('2027-03-28T06:00:00.000Z')
    expect(next({ each: 'day', time: at }, '2026-10-24T12:00:00Z')).toBe('2026-10-25T07:00:00.000Z')
    // an hour that does not exist comes once, one that comes twice is taken once
    const skipped = { each: 'day', time: '01:30' } as const
    const turns = turnsBetween(
      skipped,
      { after: new Date('2027-03-27T12:00:00Z'), until: new Date('2027-03-29T12:00:00Z') },
      calendar,
    )
    expect(turns).toHaveLength(2)
    const twice = turnsBetween(
      skipped,
      { after: new Date('2026-10-24T12:00:00Z'), until: new Date('2026-10-26T12:00:00Z') },
      calendar,
    )
    expect(twice).toHaveLength(2)
  })

  test('never comes where no day is worked on', () => {
    const never = { zone: 'UTC', isWorkingDay: () => false }
    expect(nextTurn({ each: 'working day', time: at }, new Date('2026-11-30T00:00:00Z'), never)).toBeNull()
  })
})

describe('turns that were missed', () => {
  test('are found the newest first, none before or after the span', () => {
    const span = { after: new Date('2026-12-22T07:00:00Z'), until: new Date('2026-12-30T06:00:00Z') }
    expect(
      turnsBetween({ each: 'working day', time: at }, span, calendar).map((one) => one.toISOString()),
    ).toEqual(['2026-12-29T07:00:00.000Z', '2026-12-24T07:00:00.000Z', '2026-12-23T07:00:00.000Z'])
  })

  test('each is the next turn after the one before it', () => {
    const patterns: TimePattern[] = [
      { each: 'working day', time: '23:45' },
      { each: 'week', on: 7, time: '00:00' },
      { each: 'month', on: 30, time: '12:00' },
      { each: 'last working day', time: at },
    ]
    for (const pattern of patterns) {
      const after = new Date('2026-06-01T00:00:00Z')
      const until = new Date('2027-05-31T00:00:00Z')
      let played: Date | null = after
      const forward: Date[] = []
      while ((played = nextTurn(pattern, played, calendar)) && played <= until) forward.push(played)
      expect(turnsBetween(pattern, { after, until }, calendar).reverse()).toEqual(forward)
    }
  })
})

test('a time is said as people say it', () => {
  expect(toldTime({ each: 'working day', time: at }).words).toBe('on a working day at 07:00')
  expect(toldTime({ each: 'week', on: 5, time: at }).words).toBe('on Friday at 07:00')
  expect(toldTime({ each: 'month', on: 31, time: at }).words).toBe(
    'on day 31 of a month, or its last, at 07:00',
  )
})

test('a time that never comes is refused', () => {
  expect(() => checkTime(undefined)).toThrow('at which time')
  expect(() => checkTime({ each: 'day', time: '24:00' })).toThrow('at which time')
  expect(() => checkTime({ each: 'week', on: 8, time: at })).toThrow('Choose the day')
  expect(() => checkTime({ each: 'month', time: at })).toThrow('Choose the day')
})
