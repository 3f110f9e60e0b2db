import fc from 'fast-check'
import { expect, test } from 'vitest'
import { addDays } from '../documents/days'
import { Decimal, moneyText, sum } from '../money/decimal'
import { interestOn, ratesOf, sortRates, type InterestRate } from './interest'

const rate = (percent: string, from = '2020-01-01', group = '', country = ''): InterestRate => ({
  percent,
  from,
  group,
  country,
})
const due = '2026-09-01'

test('what is open × rate × days ÷ 365', () => {
  const invoice = { amount: '1000', dueDate: due, changes: [] }
  // 1000 × 9.12 % × 30 ÷ 365 = 7.4958…
  expect(interestOn(invoice, [rate('9.12')], '2026-10-01', 'EUR')).toBe('7.50')
  expect(interestOn(invoice, [rate('9.12')], due, 'EUR')).toBe('0.00')
  expect(interestOn(invoice, [rate('9.12')], '2026-08-30', 'EUR')).toBe('0.00')
  expect(interestOn(invoice, [rate('9.12')], '2026-10-01', 'JPY')).toBe('7')
})

test('what was paid meanwhile bears no more from its day on, and what was paid before it was due none at all', () => {
  const half = { amount: '1000', dueDate: due, changes: [{ day: '2026-09-11', amount: '-400' }] }
  // (1000 × 10 + 600 × 20) × 10 % ÷ 365
  expect(interestOn(half, [rate('10')], '2026-10-01', 'EUR')).toBe('6.03')
  const before = { ...half, changes: [{ day: '2026-08-20', amount: '-1000' }] }
  expect(interestOn(before, [rate('10')], '2026-10-01', 'EUR')).toBe('0.00')
})

test('a rate counts from its day', () => {
  const invoice = { amount: '36500', dueDate: due, changes: [] }
  // 10 nights at 10 %, 20 at 12 %
  expect(interestOn(invoice, [rate('10'), rate('12', '2026-09-11')], '2026-10-01', 'EUR')).toBe('340.00')
  expect(interestOn(invoice, [rate('10', '2026-09-21')], '2026-10-01', 'EUR')).toBe('100.00')
})

test('the closest rates are a customer’s: its group, its country, everybody', () => {
  const all = [
    rate('9'),
    rate('4', '2020-01-01', 'Schools'),
    rate('12', '2020-01-01', '', 'FR'),
    rate('8', '2019-01-01'),
  ]
  expect(ratesOf(all, { group: '', country: 'DE' }).map((one) => one.percent)).toEqual(['8', '9'])
  expect(ratesOf(all, { group: 'Schools', country: 'FR' }).map((one) => one.percent)).toEqual(['4'])
  expect(ratesOf(all, { group: 'Florists', country: 'FR' }).map((one) => one.percent)).toEqual(['12'])
  expect(ratesOf([], { group: '', country: '' })).toEqual([])
  expect(sortRates(all).map((one) => one.percent)).toEqual(['9', '8', '12', '4'])
})

test('it is the sum of the nights, one by one, of random books and rates', () => {
  const day = fc.integer({ min: -20, max: 80 }).map((days) => addDays(due, days))
  const change = fc.record({
    day,
    amount: fc.integer({ min: -9000, max: 2000 }).map((cents) => String(cents / 100)),
  })
  const some = fc.array(fc.record({ day, percent: fc.integer({ min: 0, max: 1500 }) }), { maxLength: 4 })
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 90_000 }),
      fc.array(change, { maxLength: 5 }),
      some,
      day,
      (cents, changes, found, until) => {
        const amount = String(cents / 100)
        const rates = sortRates(found.map((one) => rate(String(one.percent / 100), one.day))).toReversed()
        const nights = []
        for (let night = due; night < until; night = addDays(night, 1)) {
          const open = sum([amount, ...changes.filter((one) => one.day <= night).map((one) => one.amount)])
          const percent = rates.findLast((one) => one.from <= night)?.percent ?? '0'
          nights.push(Decimal.max(0, open).times(percent).div(36_500))
        }
        expect(interestOn({ amount, dueDate: due, changes }, rates, until, 'EUR')).toBe(
          moneyText(sum(nights), 'EUR'),
        )
      },
    ),
  )
})
