import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal, sum } from '../money/decimal'
import { totals } from '../money/totals'
import { creditable, creditOf, type CreditAsk, type CreditBasis, type Credited } from './credit'

const basis: CreditBasis = {
  currency: 'EUR',
  pricesIncludeTax: false,
  rates: { standard: '23', reduced: '13.5', zero: '0' },
  lines: [
    { quantity: '3', unitPrice: '33.33', discountPercent: '0', taxCode: 'standard' },
    { quantity: '7', unitPrice: '0.99', discountPercent: '10', taxCode: 'reduced' },
  ],
  adjustments: [
    { kind: 'discount', label: 'Schools 5 %', percent: '5' },
    { kind: 'charge', label: 'Carriage', amount: '12.00' },
  ],
}
const credit = (ask: CreditAsk, before: Credited[] = [], change: Partial<CreditBasis> = {}) =>
  creditOf({ ...basis, ...change }, before, ask, 'Share of discounts and charges')

describe('a credit', () => {
  test('of the whole invoice mirrors it to the cent', () => {
    const { sums } = credit({ kind: 'whole' })
    expect(sums).toEqual(totals({ ...basis, prepaid: '0' }))
  })

  test('of one of three takes its share of the discount and of the carriage along', () => {
    const { sums, lines } = credit({ kind: 'lines', lines: [{ line: 0, quantity: '1' }] })
    expect(lines).toMatchObject([{ quantity: '1', unitPrice: '33.33', from: 0 }])
    expect(sums.lineAmounts).toEqual(['33.33'])
    expect(sums.adjustments).toMatchObject([{ kind: 'charge', label: 'Share of discounts and charges' }])
    expect(new Decimal(sums.net).plus(sums.tax).toFixed(2)).toBe(sums.total)
  })

  test('line by line: the last one takes the rounding rest, and all together are the invoice', () => {
    const whole = totals({ ...basis, prepaid: '0' })
    const before: Credited[] = []
    for (const lines of [
      [{ line: 0, quantity: '1' }],
      [
        { line: 0, quantity: '1' },
        { line: 1, quantity: '3' },
      ],
      [
        { line: 1, quantity: '4' },
        { line: 0, quantity: '1' },
      ],
    ])
      before.push(credit({ kind: 'lines', lines }, before).credited)
    expect(sum(before.flatMap((one) => one.groups.map((group) => group.tax))).toFixed(2)).toBe(whole.tax)
    expect(sum(before.flatMap((one) => one.groups.map((group) => group.base))).toFixed(2)).toBe(whole.net)
    expect(() => credit({ kind: 'whole' }, before)).toThrow('Everything of this invoice is credited already')
  })

  test('of an amount is spread over the rates, and after it the whole is what is left', () => {
    const first = credit({ kind: 'amount', amount: '50.00' })
    expect(first.sums.total).toBe('50.00')
    expect(first.lines.every((line) => line.from === null)).toBe(true)
    const rest = credit({ kind: 'whole' }, [first.credited])
    expect(new Decimal(rest.sums.total).plus('50').toFixed(2)).toBe(totals({ ...basis, prepaid: '0' }).total)
    expect(creditable(basis, [first.credited, rest.credited])).toMatchObject({ total: '0.00' })
  })

  test('of more than is left is refused with what is left, by line and by amount', () => {
    const before = [credit({ kind: 'lines', lines: [{ line: 0, quantity: '2' }] }).credited]
    expect(() => credit({ kind: 'lines', lines: [{ line: 0, quantity: '2' }] }, before)).toThrow(
      'Line 1: 2 is more than the 1 that are not credited yet',
    )
    expect(() => credit({ kind: 'amount', amount: '100000' })).toThrow('that are not credited yet')
    expect(() => credit({ kind: 'amount', amount: '0' })).toThrow('more than zero')
    expect(() => credit({ kind: 'amount', amount: '1.005' })).toThrow('more digits than EUR has')
    expect(() => credit({ kind: 'lines', lines: [] })).toThrow('Nothing is chosen')
    expect(() => credit({ kind: 'lines', lines: [{ line: 9, quantity: '1' }] })).toThrow('no line 10')
  })

  const line = fc.record({
    quantity: fc.integer({ min: 1, max: 40 }).map(String),
    unitPrice: fc.integer({ min: 1, max: 99_999 }).map((value) => new Decimal(value).div(100).toFixed(2)),
    discountPercent: fc.constantFrom('0', '5', '33.333'),
    taxCode: fc.constantFrom('standard', 'reduced', 'zero'),
  })
  const invoice = fc.record({
    lines: fc.array(line, { minLength: 1, maxLength: 6 }),
    pricesIncludeTax: fc.boolean(),
    currency: fc.constantFrom('EUR', 'JPY', 'TND'),
    adjustments: fc.array(
      fc.record({
        kind: fc.constantFrom('discount' as const, 'charge' as const),
        label: fc.constant('x'),
        percent: fc.constantFrom('1', '3.7', '12.5'),
      }),
      { maxLength: 2 },
    ),
  })

  test('of any invoice, in any pieces: no rate below zero, and the last credit leaves nothing', () => {
    fc.assert(
      fc.property(
        invoice,
        fc.array(fc.tuple(fc.nat(5), fc.integer({ min: 1, max: 99 }), fc.boolean()), { maxLength: 6 }),
        (change, pieces) => {
          const own = { ...basis, ...change }
          fc.pre(new Decimal(totals({ ...own, prepaid: '0' }).total).gt(0))
          const before: Credited[] = []
          for (const [at, percent, byLine] of pieces) {
            const left = creditable(own, before)
            const index = at % own.lines.length
            const quantity = new Decimal(left.quantities[index]!).times(percent).div(100).ceil()
            const ask: CreditAsk =
              byLine && quantity.gt(0)
                ? { kind: 'lines', lines: [{ line: index, quantity: quantity.toString() }] }
                : {
                    kind: 'amount',
                    amount: new Decimal(left.total).times(percent).div(100).toDecimalPlaces(0).toString(),
                  }
            try {
              before.push(creditOf(own, before, ask, 'share').credited)
            } catch {
              /* refused: nothing changes */
            }
            for (const group of creditable(own, before).groups) {
              expect(new Decimal(group.base).gte(0) && new Decimal(group.tax).gte(0)).toBe(true)
            }
          }
          if (new Decimal(creditable(own, before).total).gt(0))
            before.push(creditOf(own, before, { kind: 'whole' }, 'share').credited)
          expect(new Decimal(creditable(own, before).total).isZero()).toBe(true)
          expect(
            creditable(own, before).groups.every(
              (group) => new Decimal(group.base).isZero() && new Decimal(group.tax).isZero(),
            ),
          ).toBe(true)
        },
      ),
      { numRuns: 400 },
    )
  })
})
