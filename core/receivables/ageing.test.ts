import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ageingStep, ageingSteps, daysLate, paymentState } from './ageing'
import { addDays } from '../documents/days'
import { inHomeCurrency } from '../money/exchange'
import { spread } from '../money/spread'
import { sumByCurrency } from '../money/sums'
import { Decimal, sum } from '../money/decimal'

const today = '2026-11-27'

describe('the age of an open item', () => {
  test.each([
    [0, 'not due'],
    [-10, 'not due'],
    [1, '1–30'],
    [30, '1–30'],
    [31, '31–60'],
    [60, '31–60'],
    [61, '61–90'],
    [90, '61–90'],
    [91, 'over 90'],
    [4000, 'over 90'],
  ] as const)('%i days late is "%s"', (late, step) => {
    expect(daysLate(addDays(today, -late), today)).toBe(late)
    expect(ageingStep(addDays(today, -late), today)).toBe(step)
  })

  test('counts days, also over the hour that clocks skip and over a leap day', () => {
    expect(daysLate('2026-03-28', '2026-03-30')).toBe(2)
    expect(daysLate('2028-02-28', '2028-03-01')).toBe(2)
  })

  test('only ever grows', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 400 }), (late) => {
        const step = (days: number) => ageingSteps.indexOf(ageingStep(addDays(today, -days), today))
        expect(step(late + 1)).toBeGreaterThanOrEqual(step(late))
      }),
    )
  })
})

test.each([
  ['100.00', '100.00', '2026-12-01', 'open'],
  ['40.00', '100.00', '2026-12-01', 'part-paid'],
  ['0.00', '100.00', '2026-01-01', 'paid'],
  ['-5.00', '100.00', '2026-01-01', 'paid'],
  ['40.00', '100.00', '2026-11-26', 'overdue'],
  ['100.00', '100.00', '2026-11-27', 'open'],
] as const)('%s open of %s, due %s, is %s', (open, amount, dueDate, state) =>
  expect(paymentState({ open, amount, dueDate }, today)).toBe(state),
)

describe('an amount in another currency', () => {
  const exchange = { home: 'EUR', currency: 'GBP', rate: '0.8451', day: today, source: 'a bank' }
  test('is rounded once, to the digits of the house', () => {
    expect(inHomeCurrency('100.00', exchange)).toBe('118.33')
    expect(inHomeCurrency('-100.00', exchange)).toBe('-118.33')
    expect(inHomeCurrency('0', exchange)).toBe('0.00')
    expect(inHomeCurrency('1', { ...exchange, home: 'JPY', rate: '0.0051' })).toBe('196')
  })

  test('needs a rate', () => {
    for (const rate of ['0', '-1'])
      expect(() => inHomeCurrency('1', { ...exchange, rate })).toThrow(RangeError)
  })
})

describe('sums and shares', () => {
  test('one sum a currency, exact, in their order', () => {
    expect(
      sumByCurrency([
        { total: '0.1', currency: 'GBP' },
        { total: '0.1', currency: 'EUR' },
        { total: '0.2', currency: 'EUR' },
        { total: '-0.3', currency: 'EUR' },
      ]),
    ).toEqual([
      { currency: 'EUR', sum: '0' },
      { currency: 'GBP', sum: '0.1' },
    ])
  })

  test('a third each gives the odd cent to the first', () => {
    expect(spread('10.00', [1, 1, 1], 'EUR').map(String)).toEqual(['3.34', '3.33', '3.33'])
    expect(spread('-10.00', [1, 1, 1], 'EUR').map(String)).toEqual(['-3.34', '-3.33', '-3.33'])
  })

  test('over nothing but zeros all goes to the first, over nothing at all is an error', () => {
    expect(spread('10.00', [0, 0], 'EUR').map(String)).toEqual(['10', '0'])
    expect(() => spread('10.00', [], 'EUR')).toThrow(RangeError)
  })

  test('add up to what was shared, for any amount and weights, each to a cent of its exact part', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -10_000_000, max: 10_000_000 }),
        fc.array(fc.integer({ min: 0, max: 100_000 }), { minLength: 1, maxLength: 12 }),
        (cents, weights) => {
          const amount = new Decimal(cents).div(100)
          const parts = spread(amount, weights, 'EUR')
          expect(sum(parts).eq(amount)).toBe(true)
          const total = weights.reduce((all, one) => all + one, 0)
          if (total === 0) return
          parts.forEach((part, index) =>
            expect(part.minus(amount.times(weights[index]!).div(total)).abs().lt('0.01')).toBe(true),
          )
        },
      ),
    )
  })
})
