import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { currencyDigits, Decimal, roundMoney, sum } from './decimal'
import { spread } from './spread'
import { totals, type LineCharge, type TotalsInput } from './totals'

const rates = { standard: '23', reduced: '13.5', zero: '0' }
const line = (
  quantity: string,
  unitPrice: string,
  taxCode = 'standard',
  discountPercent = '0',
): LineCharge => ({ quantity, unitPrice, taxCode, discountPercent })
const input = (change: Partial<TotalsInput>): TotalsInput => ({
  currency: 'EUR',
  pricesIncludeTax: false,
  rates,
  lines: [],
  adjustments: [],
  prepaid: '0',
  ...change,
})

describe('the sums of a document', () => {
  test('the trade invoice of the sketch comes to 1,284.46', () => {
    const result = totals(
      input({ lines: [line('12', '41.50'), line('6', '38.00'), line('9', '19.20'), line('4', '36.37')] }),
    )
    expect(result).toMatchObject({ net: '1044.28', tax: '240.18', total: '1284.46', toPay: '1284.46' })
  })

  test('tax is worked out on the sum of a rate, not line by line', () => {
    const result = totals(input({ lines: [line('1', '0.10'), line('1', '0.10'), line('1', '0.10')] }))
    expect(result.tax).toBe('0.07') // 0.30 × 23 % = 0.069; by line it would be 3 × 0.02 = 0.06
  })

  test('where prices include tax, the tax is taken out of the gross of each rate', () => {
    const result = totals(
      input({
        pricesIncludeTax: true,
        lines: [line('1', '123.00'), line('1', '113.50', 'reduced'), line('2', '18.00', 'zero')],
      }),
    )
    expect(result).toMatchObject({ total: '272.50', net: '236.00', tax: '36.50', linesSum: '272.50' })
    expect(result.groups.map((group) => group.tax)).toEqual(['23.00', '13.50', '0.00'])
  })

  test('a discount over two rates is spread so that no cent is lost', () => {
    const result = totals(
      input({
        lines: [line('1', '33.33'), line('1', '66.67', 'reduced')],
        adjustments: [{ kind: 'discount', label: 'Discount', amount: '10.00' }],
      }),
    )
    expect(result.groups.map((group) => group.base)).toEqual(['30.00', '60.00'])
    expect(result.net).toBe('90.00')
  })

  test('a credit mirrors its invoice to the cent: rounding is half away from zero', () => {
    expect(roundMoney('2.345', 'EUR').toString()).toBe('2.35')
    expect(roundMoney('-2.345', 'EUR').toString()).toBe('-2.35')
  })

  test('currencies without minor digits are rounded to whole units', () => {
    expect(totals(input({ currency: 'JPY', lines: [line('3', '33.4')] })).net).toBe('100')
  })

  test('what was already paid comes off what is to pay, not off the total', () => {
    expect(totals(input({ lines: [line('1', '100')], prepaid: '123' }))).toMatchObject({
      total: '123.00',
      toPay: '0.00',
    })
  })

  test('an order without lines and an unknown tax code are refused in words', () => {
    expect(() => totals(input({}))).toThrow('no line yet')
    expect(() => totals(input({ lines: [line('1', '1', 'luxury')] }))).toThrow(
      'Line 1 has the tax code "luxury"',
    )
  })

  const cents = fc.integer({ min: 0, max: 5_000_000 }).map((value) => new Decimal(value).div(100).toFixed(2))
  const anyLine = fc.record({
    quantity: fc.integer({ min: 1, max: 999_000 }).map((value) => new Decimal(value).div(1000).toString()),
    unitPrice: cents,
    taxCode: fc.constantFrom('standard', 'reduced', 'zero'),
    discountPercent: fc.constantFrom('0', '2.5', '10', '33.333'),
  })
  const share = fc.record({
    kind: fc.constantFrom('discount' as const, 'charge' as const),
    label: fc.constant('x'),
    percent: fc.constantFrom('1', '3.7', '12.5'),
  })
  const amount = fc.record({
    kind: fc.constantFrom('discount' as const, 'charge' as const),
    label: fc.constant('y'),
    amount: fc.constantFrom('0.01', '3.33', '12.00'),
  })
  const anyInput = fc.record({
    lines: fc.array(anyLine, { minLength: 1, maxLength: 8 }),
    pricesIncludeTax: fc.boolean(),
    prepaid: cents,
    currency: fc.constantFrom('EUR', 'JPY', 'TND'),
    adjustments: fc.array(fc.oneof(share, amount), { maxLength: 3 }),
  })

  test(
    'for any order: bases and taxes add up to the total, lines and adjustments to the bases or the ' +
      "gross, each rate's tax is its own within half a unit, and every amount has the currency's digits",
    () => {
      fc.assert(
        fc.property(anyInput, (change) => {
          const result = totals(input(change))
          const digits = currencyDigits(change.currency)
          const bases = sum(result.groups.map((group) => group.base))
          const taxes = sum(result.groups.map((group) => group.tax))
          const adjusted = result.adjustments.reduce(
            (total, one) => (one.kind === 'discount' ? total.minus(one.amount) : total.plus(one.amount)),
            sum(result.lineAmounts),
          )
          const holds =
            bases.plus(taxes).toFixed(digits) === result.total &&
            adjusted.toFixed(digits) === (change.pricesIncludeTax ? result.total : result.net) &&
            new Decimal(result.total)
              .minus(change.prepaid)
              .toDecimalPlaces(digits, Decimal.ROUND_HALF_UP)
              .eq(result.toPay) &&
            result.groups.every((group) => {
              const own = change.pricesIncludeTax
                ? new Decimal(group.base)
                    .plus(group.tax)
                    .times(group.rate)
                    .div(new Decimal(group.rate).plus(100))
                : new Decimal(group.base).times(group.rate).div(100)
              return own.minus(group.tax).abs().lte(new Decimal(10).pow(-digits).div(2))
            }) &&
            [result.net, result.tax, result.total, result.toPay, ...result.lineAmounts].every(
              (one) => new Decimal(one).toFixed(digits) === one,
            )
          return holds
        }),
        { numRuns: Number(process.env.PROPERTY_RUNS ?? 20_000) },
      )
    },
    180_000,
  )
})

test('spreading gives every cent away, to the largest remainders first', () => {
  expect(spread('10', ['1', '1', '1'], 'EUR').map((part) => part.toFixed(2))).toEqual([
    '3.34',
    '3.33',
    '3.33',
  ])
  expect(spread('-0.05', ['1', '2'], 'EUR').map((part) => part.toFixed(2))).toEqual(['-0.02', '-0.03'])
  fc.assert(
    fc.property(
      fc.integer({ min: -99_999, max: 99_999 }),
      fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 12 }),
      (value, weights) => {
        expect(
          sum(spread(new Decimal(value).div(100), weights, 'EUR'))
            .times(100)
            .toNumber(),
        ).toBe(value)
      },
    ),
  )
})
