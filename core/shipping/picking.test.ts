import { expect, test } from 'vitest'
import { pickingList, type ToPick } from './picking'

const want = (order: string, item: string, place: string, quantity: string, detail: string | null = null) =>
  ({ order, item, description: `${item}, described`, detail, unit: '', place, quantity }) satisfies ToPick

test('what many orders wait for is one walk by place, each item once, with who gets how much', () => {
  const list = pickingList([
    want('SO-2', 'WX-200', 'A10-1', '2'),
    want('SO-1', 'HB-11D', 'A2-1', '3'),
    want('SO-1', 'QM-RED', '', '1'),
    want('SO-2', 'HB-11D', 'A2-1', '1.5'),
    want('SO-2', 'HB-11D', 'A2-1', '1'),
  ])
  expect(list.map(({ place, item, quantity }) => [place, item, quantity])).toEqual([
    ['A2-1', 'HB-11D', '5.5'],
    ['A10-1', 'WX-200', '2'],
    ['', 'QM-RED', '1'],
  ])
  expect(list[0]!.orders).toEqual([
    { order: 'SO-1', quantity: '3' },
    { order: 'SO-2', quantity: '2.5' },
  ])
})

test('a suit of another size is another thing to fetch', () => {
  const list = pickingList([
    want('SO-1', 'CL-SU', 'B1', '1', 'Size S'),
    want('SO-2', 'CL-SU', 'B1', '1', 'Size M'),
  ])
  expect(list.map(({ detail, quantity }) => [detail, quantity])).toEqual([
    ['Size S', '1'],
    ['Size M', '1'],
  ])
})
