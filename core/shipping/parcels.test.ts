import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal } from '../money/decimal'
import {
  checkBoxes,
  checkParcels,
  isTooHeavy,
  joinParcels,
  moveContent,
  proposeParcels,
  staysRight,
  type Box,
  type PackedLine,
} from './parcels'
import { sumByPosition } from './quantities'

const box = (name: string, most: string, weight = '0.5', side = 300): Box => ({
  name,
  length: side,
  width: side,
  height: side,
  weight,
  most,
})
const boxes = [box('Large', '20', '1', 500), box('Small', '5', '0.5')]
const line = (position: number, quantity: string, each: string | null): PackedLine => ({
  position,
  quantity,
  each,
})
const nameOf = (position: number) => `item ${position}`

describe('parcels as they are proposed', () => {
  test('are as many as their weight takes, each in the smallest box that holds it', () => {
    expect(proposeParcels([line(1, '9', '4'), line(2, '2', '0.25')], boxes)).toEqual([
      { box: 'Large', weight: '17', contents: [{ position: 1, quantity: '4' }] },
      { box: 'Large', weight: '17', contents: [{ position: 1, quantity: '4' }] },
      {
        box: 'Small',
        weight: '5',
        contents: [
          { position: 1, quantity: '1' },
          { position: 2, quantity: '2' },
        ],
      },
    ])
  })

  test('are one where the house has no boxes, and say no weight where one is not known', () => {
    expect(proposeParcels([line(1, '3', '2'), line(2, '1', null)], [])).toEqual([
      {
        box: '',
        weight: null,
        contents: [
          { position: 1, quantity: '3' },
          { position: 2, quantity: '1' },
        ],
      },
    ])
  })

  test('leave a single piece that no box may hold in a parcel of its own, which says so', () => {
    const parcels = proposeParcels([line(1, '1', '2'), line(2, '2', '30')], boxes)
    expect(parcels.map(({ weight }) => weight)).toEqual(['2.5', '31', '31'])
    expect(parcels.map((one) => isTooHeavy(one, boxes))).toEqual([false, true, true])
  })

  test('hold just what goes, and are too heavy only where a piece is, whatever is ordered', () => {
    const each = fc.option(
      fc.integer({ min: 1, max: 18_000 }).map((grams) => new Decimal(grams).div(1000).toString()),
      { nil: null },
    )
    const quantity = fc.oneof(
      fc.integer({ min: 1, max: 60 }).map(String),
      fc.integer({ min: 1, max: 900 }).map((n) => new Decimal(n).div(100).toString()),
    )
    fc.assert(
      fc.property(fc.array(fc.tuple(quantity, each), { minLength: 1, maxLength: 8 }), (given) => {
        const lines = given.map(([count, one], index) => line(index + 1, count, one))
        const parcels = proposeParcels(lines, boxes)
        checkParcels(parcels, lines, nameOf)
        for (const parcel of parcels.filter((one) => isTooHeavy(one, boxes)))
          expect(parcel.contents.some(({ quantity: held }) => !new Decimal(held).isInteger())).toBe(true)
      }),
    )
  })
})

describe('what is in parcels', () => {
  const lines = [line(1, '9', '1'), line(2, '2', '0.25')]
  const one = proposeParcels(lines, boxes)

  test('moves to a new one, and back, with its weight', () => {
    const two = moveContent(one, 0, 1, { position: 1, quantity: '4' }, lines, boxes)
    expect(two).toEqual([
      {
        box: 'Large',
        weight: '6.5',
        contents: [
          { position: 1, quantity: '5' },
          { position: 2, quantity: '2' },
        ],
      },
      { box: 'Small', weight: '4.5', contents: [{ position: 1, quantity: '4' }] },
    ])
    expect(joinParcels(two, 1, 0, lines, boxes)).toEqual(one)
  })

  test('never becomes more or less by moving and joining', () => {
    const move = fc.record({
      from: fc.nat(4),
      to: fc.nat(5),
      position: fc.constantFrom(1, 2),
      count: fc.nat(9),
    })
    fc.assert(
      fc.property(fc.array(move, { maxLength: 15 }), (moves) => {
        let parcels = one
        for (const { from, to, position, count } of moves) {
          const at = from % parcels.length
          parcels =
            count === 0 && to < parcels.length && to !== at
              ? joinParcels(parcels, at, to, lines, boxes)
              : moveContent(
                  parcels,
                  at,
                  Math.min(to, parcels.length),
                  { position, quantity: String(count || 1) },
                  lines,
                  boxes,
                )
        }
        expect([...sumByPosition(parcels.flatMap(({ contents }) => contents))].sort()).toEqual([
          [1, '9'],
          [2, '2'],
        ])
        checkParcels(parcels, lines, nameOf)
      }),
    )
  })

  test('is refused where it is not what goes, with both numbers', () => {
    const short = [{ box: '', weight: null, contents: [{ position: 1, quantity: '8' }] }]
    expect(() => checkParcels(short, lines, nameOf)).toThrow('Of “item 1” 8 are in the parcels, and 9 go.')
    const weightless = [{ ...one[0]!, weight: '0' }]
    expect(() => checkParcels(weightless, lines, nameOf)).toThrow('The weight of parcel 1 is in kilograms')
  })
})

test('boxes have each a name of its own and may be heavier packed than empty', () => {
  expect(() => checkBoxes([box('S', '5'), box('S', '6')])).toThrow('There are two boxes called “S”.')
  expect(() => checkBoxes([box('S', '0.5', '0.5')])).toThrow('Box “S” may be heavier packed than empty')
  expect(() => checkBoxes(boxes)).not.toThrow()
})

describe('what stands on labels', () => {
  const held = { box: 'S', weight: '4.20', contents: [{ position: 1, quantity: '2' }] }
  const store = { name: 'Weir Store', lines: ['Weir Road 2', 'Marlbridge'], country: 'IE' }
  const before = { parcels: [held, { ...held, weight: '3' }], addresses: [store] }

  test('is as right as before where it is only written otherwise', () => {
    const parts = [
      { position: 1, quantity: '0.5' },
      { position: 1, quantity: '1.50' },
    ]
    const after = {
      parcels: [{ ...held, weight: '4.2', contents: parts }, before.parcels[1]!],
      addresses: [{ ...store, attention: '' }],
    }
    expect(staysRight(1, before, after)).toBe(true)
    expect(staysRight(2, before, after)).toBe(true)
  })

  test.each([
    ['a parcel weighs otherwise', { ...before, parcels: [{ ...held, weight: '4.3' }, before.parcels[1]!] }],
    ['it is in another box', { ...before, parcels: [{ ...held, box: 'L' }, before.parcels[1]!] }],
    ['there are fewer', { ...before, parcels: [held] }],
    ['it goes elsewhere', { ...before, addresses: [{ ...store, lines: ['Weir Road 3', 'Marlbridge'] }] }],
    ['it is for somebody’s attention', { ...before, addresses: [{ ...store, attention: 'Orla' }] }],
    ['it goes back to somebody', { ...before, addresses: [store, store] }],
  ])('is wrong where %s', (_, after) => expect(staysRight(1, before, after)).toBe(false))

  test('of one parcel is right where another changes', () => {
    expect(
      staysRight(2, before, { ...before, parcels: [{ ...held, weight: '9' }, before.parcels[1]!] }),
    ).toBe(true)
  })
})
