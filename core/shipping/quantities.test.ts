import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal } from '../money/decimal'
import { allLeft, checkShipped, isShipped, standingOf, type OrderedLine } from './quantities'

const line = (position: number, quantity: string, cancelled = '0'): OrderedLine => ({
  position,
  quantity,
  cancelled,
})
const nameOf = (position: number) => `item ${position}`

describe('what of an order is left to ship', () => {
  test('is ordered less shipped and cancelled, line by line', () => {
    expect(
      standingOf(
        [line(1, '10'), line(2, '7', '5'), line(3, '2.5')],
        [
          { position: 1, quantity: '4' },
          { position: 1, quantity: '3' },
          { position: 2, quantity: '7' },
        ],
      ),
    ).toEqual([
      { position: 1, ordered: '10', shipped: '7', cancelled: '0', left: '3' },
      { position: 2, ordered: '12', shipped: '7', cancelled: '5', left: '0' },
      { position: 3, ordered: '2.5', shipped: '0', cancelled: '0', left: '2.5' },
    ])
  })

  test('is never less than nothing, nor of what comes back', () => {
    const standing = standingOf([line(1, '-2'), line(2, '3')], [{ position: 2, quantity: '5' }])
    expect(standing.map(({ left }) => left)).toEqual(['0', '0'])
    expect(isShipped(standing)).toBe(true)
  })

  test('is refused where more goes, with the item and how many are left', () => {
    const standing = standingOf([line(1, '10')], [{ position: 1, quantity: '8' }])
    expect(() => checkShipped(standing, [{ position: 1, quantity: '3' }], nameOf)).toThrow(
      'Of “item 1” only 2 are left to ship, not 3.',
    )
    expect(() => checkShipped(standing, [{ position: 9, quantity: '1' }], nameOf)).toThrow('only 0 are left')
    expect(() => checkShipped(standing, [{ position: 1, quantity: '0' }], nameOf)).toThrow(
      'Nothing is chosen',
    )
  })

  test('counts a line that is named twice as one', () => {
    const standing = standingOf([line(1, '10')], [])
    const twice = [
      { position: 1, quantity: '6' },
      { position: 1, quantity: '5' },
    ]
    expect(() => checkShipped(standing, twice, nameOf)).toThrow('only 10 are left to ship, not 11')
  })

  test('whatever goes in whatever parts: ordered = shipped + cancelled + left, until nothing is left', () => {
    const quantity = fc.integer({ min: 1, max: 5000 }).map((n) => new Decimal(n).div(100).toString())
    fc.assert(
      fc.property(
        fc.array(quantity, { minLength: 1, maxLength: 6 }),
        fc.array(fc.record({ line: fc.nat(5), share: fc.integer({ min: 1, max: 100 }) }), { maxLength: 20 }),
        (ordered, moves) => {
          const lines = ordered.map((one, index) => line(index + 1, one))
          const shipped: { position: number; quantity: string }[] = []
          for (const { line: at, share } of moves) {
            const one = standingOf(lines, shipped)[at % lines.length]!
            const part = new Decimal(one.left).times(share).div(100).toDecimalPlaces(3)
            if (part.gt(0))
              shipped.push(
                ...checkShipped(
                  standingOf(lines, shipped),
                  [{ position: one.position, quantity: part.toString() }],
                  nameOf,
                ),
              )
          }
          for (const one of standingOf(lines, shipped))
            expect(new Decimal(one.shipped).plus(one.cancelled).plus(one.left).eq(one.ordered)).toBe(true)
          const rest = allLeft(standingOf(lines, shipped))
          expect(isShipped(standingOf(lines, [...shipped, ...rest]))).toBe(true)
        },
      ),
    )
  })
})
