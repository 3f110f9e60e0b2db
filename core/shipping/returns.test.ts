import { describe, expect, test } from 'vitest'
import { checkReturned, heldBy, returnable, toCredit, wentOut, type ReturnedLine } from './returns'

const lines: ReturnedLine[] = [
  { position: 1, quantity: '4', reason: 'broken', cameBack: '3' },
  { position: 2, quantity: '2.5', reason: 'wrong size', cameBack: null },
]
const standing = [
  { position: 1, shipped: '10' },
  { position: 2, shipped: '2.5' },
]
const nameOf = (position: number) => `line ${position}`

describe('what a return holds of its order', () => {
  test('is what is expected, then what came, and nothing once it is withdrawn', () => {
    expect(heldBy('expected', lines).map(({ quantity }) => quantity)).toEqual(['4', '2.5'])
    expect(heldBy('back', lines).map(({ quantity }) => quantity)).toEqual(['3', '0'])
    expect(heldBy('withdrawn', lines)).toEqual([])
  })
})

test('what is to be credited is what came, less what credit notes hold of it', () => {
  expect(toCredit(lines, [])).toEqual([{ position: 1, quantity: '3' }])
  expect(toCredit(lines, [{ position: 1, quantity: '1.5' }])).toEqual([{ position: 1, quantity: '1.5' }])
  expect(toCredit(lines, [{ position: 1, quantity: '3' }])).toEqual([])
})

describe('what went out', () => {
  const lines = [
    { position: 1, ordered: '10', cancelled: '2', shipped: '0' },
    { position: 2, ordered: '-1', cancelled: '0', shipped: '0' },
  ]
  const shippedOf = (left: boolean, shipped = '0') =>
    wentOut([{ ...lines[0]!, shipped }, lines[1]!], left).map((line) => line.shipped)
  test('is what shipments say', () => expect(shippedOf(true, '3')).toEqual(['3', '0']))
  test('is all that is ordered where the goods left without one', () =>
    expect(shippedOf(true)).toEqual(['8', '0']))
  test('is nothing before they left', () => expect(shippedOf(false)).toEqual(['0', '0']))
})

describe('what can come back', () => {
  const left = returnable(standing, [...heldBy('back', lines), { position: 2, quantity: '0.5' }])
  test('is what was shipped, less what other returns hold', () => {
    expect(left.map((line) => line.left)).toEqual(['7', '2'])
  })
  test('is never below nothing, though a shipment was taken back meanwhile', () => {
    expect(returnable([{ position: 1, shipped: '2' }], [{ position: 1, quantity: '3' }])[0]!.left).toBe('0')
  })
  test('is not exceeded, counting a line that is named twice', () => {
    expect(() => checkReturned(left, [{ position: 1, quantity: '7' }], nameOf)).not.toThrow()
    expect(() =>
      checkReturned(
        left,
        [
          { position: 1, quantity: '4' },
          { position: 1, quantity: '3.001' },
        ],
        nameOf,
      ),
    ).toThrow('“line 1” only 7')
  })
  test('has to be something', () => {
    expect(() => checkReturned(left, [{ position: 1, quantity: '0' }], nameOf)).toThrow('Nothing is chosen')
  })
})
