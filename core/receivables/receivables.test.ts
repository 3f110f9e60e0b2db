import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal, sum } from '../money/decimal'
import { ageingStep, daysLate, paymentState } from './ageing'
import {
  checkSettlements,
  discountOn,
  settledBy,
  spreadPayment,
  type OpenItem,
  taxInDiscount,
  proposePayment,
} from './settle'

const item = (change: Partial<OpenItem> = {}): OpenItem => ({
  id: 1,
  number: 'INV-1',
  date: '2026-11-01',
  dueDate: '2026-12-01',
  currency: 'EUR',
  open: '100.00',
  amount: '100.00',
  terms: { kind: 'days', days: 30, discount: { percent: '2', days: 10 } },
  ...change,
})
const usual = { paidOn: '2026-11-20', smallDifference: '0.05' }

test('a payment that fits one open invoice exactly is proposed for that one, not for the oldest', () => {
  const item = (id: number, open: string, dueDate: string): OpenItem => ({
    id,
    number: `INV-${id}`,
    date: '2026-10-01',
    dueDate,
    currency: 'EUR',
    open,
    amount: open,
    terms: { kind: 'days', days: 30 },
  })
  const items = [
    item(1, '100.00', '2026-10-31'),
    item(2, '250.00', '2026-11-15'),
    item(3, '80.00', '2026-11-20'),
  ]
  const limits = { paidOn: '2026-11-27', smallDifference: '0.05' }
  expect(proposePayment('250.00', items, limits).settlements.map((one) => one.documentId)).toEqual([2])
  expect(proposePayment('180.00', items, limits).settlements.map((one) => one.documentId)).toEqual([1, 2])
  const twins = [...items, item(4, '250.00', '2026-11-25')]
  expect(proposePayment('250.00', twins, limits).settlements.map((one) => one.documentId)).toEqual([1, 2])
})

describe('ageing', () => {
  test.each([
    ['2026-12-01', 'not due'],
    ['2026-11-25', 'not due'],
    ['2026-11-24', '1–30'],
    ['2026-10-26', '1–30'],
    ['2026-10-25', '31–60'],
    ['2026-08-27', '61–90'],
    ['2026-08-26', 'over 90'],
  ])('%s is %s on the 25th of November', (due, step) => {
    expect(ageingStep(due, '2026-11-25')).toBe(step)
  })
  test.each([
    ['0.00', '2026-11-01', 'paid'],
    ['40.00', '2026-11-25', 'part-paid'],
    ['100.00', '2026-11-25', 'open'],
    ['40.00', '2026-11-24', 'overdue'],
    ['-5.00', '2026-11-01', 'paid'],
  ])('%s open, due %s, is %s', (open, dueDate, state) => {
    expect(paymentState({ open, amount: '100.00', dueDate }, '2026-11-25')).toBe(state)
  })
  test('days late are whole days, over the change of the clocks too', () =>
    expect(daysLate('2026-10-20', '2026-10-30')).toBe(10))
})

describe('a payment is spread', () => {
  test('in part: the rest of the invoice stays open', () => {
    expect(spreadPayment('40.00', [item()], usual)).toEqual({
      settlements: [{ documentId: 1, amount: '40.00', discount: '0.00', writeOff: '0.00' }],
      rest: '0.00',
    })
  })
  test('over: what is too much settles nothing', () => {
    expect(spreadPayment('120.00', [item()], usual).rest).toBe('20.00')
  })
  test('with the early-payment discount in its days only, and not when all is paid in full', () => {
    expect(spreadPayment('98.00', [item()], { ...usual, paidOn: '2026-11-11' }).settlements[0]).toMatchObject(
      { amount: '98.00', discount: '2.00' },
    )
    expect(spreadPayment('98.00', [item()], { ...usual, paidOn: '2026-11-12' }).settlements[0]).toMatchObject(
      { amount: '98.00', discount: '0.00' },
    )
    expect(
      spreadPayment('100.00', [item()], { ...usual, paidOn: '2026-11-11' }).settlements[0],
    ).toMatchObject({ amount: '100.00', discount: '0.00' })
    expect(discountOn(item({ open: '60.00' }), '2026-11-05')).toBe('0.00')
  })
  test('a few cents too little are waived, more are not', () => {
    expect(spreadPayment('99.96', [item()], usual).settlements[0]).toMatchObject({
      amount: '99.96',
      writeOff: '0.04',
    })
    expect(spreadPayment('99.94', [item()], usual).settlements[0]).toMatchObject({
      amount: '99.94',
      writeOff: '0.00',
    })
  })
  test('over several, each as far as the money reaches', () => {
    const items = [item(), item({ id: 2, number: 'INV-2', open: '50.00', amount: '80.00' })]
    expect(spreadPayment('130.00', items, usual).settlements.map((one) => one.amount)).toEqual([
      '100.00',
      '30.00',
    ])
  })
  test('never more than the money, never more than is open, and nothing gets lost', () => {
    const cents = fc
      .integer({ min: 1, max: 5_000_000 })
      .map((value) => new Decimal(value).div(100).toFixed(2))
    const items = fc
      .array(cents, { minLength: 1, maxLength: 8 })
      .map((amounts) => amounts.map((open, id) => item({ id, number: `INV-${id}`, open, amount: open })))
    fc.assert(
      fc.property(cents, items, fc.constantFrom('2026-11-05', '2026-11-20'), (amount, open, paidOn) => {
        const { settlements, rest } = spreadPayment(amount, open, { paidOn, smallDifference: '0.05' })
        expect(settledBy(settlements).plus(rest).toFixed(2)).toBe(amount)
        checkSettlements(amount, 'EUR', settlements, new Map(open.map((one) => [one.id, one])))
        expect(
          new Decimal(rest).isZero() ||
            sum(settlements.flatMap((one) => [one.amount, one.discount, one.writeOff])).eq(
              sum(open.map((one) => one.open)),
            ),
        ).toBe(true)
      }),
      { numRuns: 2000 },
    )
  })
})

describe('what cannot be booked is refused in words', () => {
  const items = new Map([
    [1, item()],
    [2, item({ id: 2, number: 'INV-2', currency: 'GBP' })],
  ])
  const one = (change: object) => ({
    documentId: 1,
    amount: '10.00',
    discount: '0',
    writeOff: '0',
    ...change,
  })
  test.each<[string, ReturnType<typeof one>[], string]>([
    [
      'more than is open, discount and waived counted',
      [one({ amount: '98.00', discount: '2.00', writeOff: '0.01' })],
      'INV-1 has 100.00 EUR open, and 100.01 would be booked',
    ],
    ['more than was paid', [one({ amount: '60.00' })], '60.00 EUR would be booked, and only 50.00 was paid'],
    ['another currency', [one({ documentId: 2 })], 'INV-2 is in GBP'],
    ['nothing', [one({ amount: '0' })], 'Nothing would be booked on INV-1'],
    ['less than nothing', [one({ discount: '-1' })], 'Nothing would be booked on INV-1'],
  ])('%s', (_, settlements, words) =>
    expect(() => checkSettlements('50.00', 'EUR', settlements, items)).toThrow(words),
  )
})

test.each([
  ['2.00', '23.00', '123.00', 'EUR', '0.37'],
  ['3.00', '0.00', '150.00', 'EUR', '0.00'],
  ['0.00', '0.00', '0.00', 'EUR', '0.00'],
  ['-2.00', '23.00', '123.00', 'EUR', '-0.37'],
  ['100', '1000', '11000', 'JPY', '9'],
])('of a discount of %s on tax %s in %s %s, %s is tax', (discount, tax, total, currency, part) => {
  expect(taxInDiscount(discount, { tax, total, currency })).toBe(part)
})
