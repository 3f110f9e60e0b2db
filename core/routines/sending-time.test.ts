import { describe, expect, test } from 'vitest'
import { instantInZone } from '../documents/days'
import { sendingTime } from './sending-time'
import { plainWorkingDay } from './time'

const workdays = { from: '08:00', to: '17:00', workdays: true }
const goes = (now: string, delay: number, hours: typeof workdays | null, zone = 'Europe/Dublin') =>
  sendingTime(new Date(now), delay, hours, { zone, isWorkingDay: plainWorkingDay }).toISOString()

describe('a paper leaves', () => {
  test('at once, or after its delay, when no hours are set', () => {
    expect(goes('2026-11-24T20:00:00Z', 0, null)).toBe('2026-11-24T20:00:00.000Z')
    expect(goes('2026-11-24T20:00:00Z', 20, null)).toBe('2026-11-24T20:20:00.000Z')
  })

  test('within the sending hours at once, before them when they begin, after them on the next day', () => {
    expect(goes('2026-11-24T10:00:00Z', 0, workdays)).toBe('2026-11-24T10:00:00.000Z')
    expect(goes('2026-11-24T06:00:00Z', 0, workdays)).toBe('2026-11-24T08:00:00.000Z')
    expect(goes('2026-11-24T16:50:00Z', 20, workdays)).toBe('2026-11-25T08:00:00.000Z')
  })

  test('on Friday evening not before Monday, unless weekends count', () => {
    expect(goes('2026-11-27T18:00:00Z', 0, workdays)).toBe('2026-11-30T08:00:00.000Z')
    expect(goes('2026-11-27T18:00:00Z', 0, { ...workdays, workdays: false })).toBe('2026-11-28T08:00:00.000Z')
  })

  test("by the house's clock, in summer and in winter", () => {
    expect(goes('2026-07-01T05:00:00Z', 0, workdays)).toBe('2026-07-01T07:00:00.000Z')
    expect(goes('2026-07-01T05:00:00Z', 0, workdays, 'Europe/Berlin')).toBe('2026-07-01T06:00:00.000Z')
    expect(goes('2026-01-05T05:00:00Z', 0, workdays, 'America/New_York')).toBe('2026-01-05T13:00:00.000Z')
  })
})

test("a wall clock's time on the days it is put forward and back", () => {
  expect(instantInZone('2026-03-29', '08:00', 'Europe/Berlin').toISOString()).toBe('2026-03-29T06:00:00.000Z')
  expect(instantInZone('2026-10-25', '08:00', 'Europe/Berlin').toISOString()).toBe('2026-10-25T07:00:00.000Z')
  expect(instantInZone('2026-10-25', '00:30', 'Europe/Berlin').toISOString()).toBe('2026-10-24T22:30:00.000Z')
})
