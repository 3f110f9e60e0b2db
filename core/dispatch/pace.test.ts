import fc from 'fast-check'
import { expect, test } from 'vitest'
import { toldPace, slotsFor, type Pace } from './pace'

const none: Pace = { perMinute: null, perHour: null, perDay: null }

test('without a limit all go now', () => {
  expect(slotsFor(3, 100, none, new Map())).toEqual([100, 100, 100])
})

test('what a minute does not take goes in the next ones, in order', () => {
  expect(slotsFor(5, 100, { ...none, perMinute: 2 }, new Map())).toEqual([100, 100, 101, 101, 102])
})

test('what was given out before counts, and nothing overtakes it', () => {
  const given = new Map([
    [99, 2],
    [101, 1],
  ])
  expect(slotsFor(2, 100, { ...none, perMinute: 2 }, given)).toEqual([101, 102])
})

test('an hour that is full waits until the first of it is an hour ago', () => {
  const given = new Map([[100, 3]])
  expect(slotsFor(1, 130, { ...none, perHour: 3 }, given)).toEqual([160])
})

test('a day that is full waits until the day after', () => {
  expect(slotsFor(3, 0, { ...none, perDay: 2 }, new Map())).toEqual([0, 0, 1440])
})

test('no minute, hour or day holds more than the account takes, however they come', () => {
  fc.assert(
    fc.property(
      fc.record<Pace>({
        perMinute: fc.option(fc.integer({ min: 1, max: 5 })),
        perHour: fc.option(fc.integer({ min: 1, max: 40 })),
        perDay: fc.option(fc.integer({ min: 1, max: 90 })),
      }),
      fc.array(fc.record({ after: fc.nat({ max: 90 }), count: fc.integer({ min: 1, max: 20 }) }), {
        maxLength: 8,
      }),
      (pace, calls) => {
        const taken = new Map<number, number>()
        let now = 0
        let last = 0
        for (const { after, count } of calls) {
          now += after
          for (const slot of slotsFor(count, now, pace, taken)) {
            expect(slot).toBeGreaterThanOrEqual(Math.max(now, last))
            last = slot
            taken.set(slot, (taken.get(slot) ?? 0) + 1)
          }
        }
        const most = (minutes: number) =>
          Math.max(
            0,
            ...[...taken.keys()].map((end) =>
              [...taken].reduce(
                (sum, [minute, emails]) => (minute > end - minutes && minute <= end ? sum + emails : sum),
                0,
              ),
            ),
          )
        expect(most(1)).toBeLessThanOrEqual(pace.perMinute ?? Infinity)
        expect(most(60)).toBeLessThanOrEqual(pace.perHour ?? Infinity)
        expect(most(1440)).toBeLessThanOrEqual(pace.perDay ?? Infinity)
      },
    ),
    { numRuns: 60, seed: 5 },
  )
})

test('the limits are said in words', () => {
  expect(toldPace({ perMinute: 30, perHour: null, perDay: 2000 }).words).toBe('30 a minute, 2000 a day')
  expect(toldPace(none).words).toBe('')
})
