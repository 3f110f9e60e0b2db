import { expect, test } from 'vitest'
import { exampleInvoice, metrics, order, plainLook } from '../testing/examples'
import type { ItemNamedBy } from './design'
import { layOut } from './layout'
import { lookOf, suppliedDesign } from './supplied'

const [first, ...others] = order.lines
const named = exampleInvoice({
  order: {
    ...order,
    lines: [{ ...first!, codes: { customer: 'OM-BROOD', gtin: '5391234000017' } }, ...others],
  },
})
/** What stands in the first column, under its heading. */
const columnOf = (item: ItemNamedBy) =>
  layOut(named, suppliedDesign({ ...plainLook, item }), metrics).pages.flatMap(({ ops }) =>
    ops.flatMap((op) => (op.op === 'text' && op.cell?.column === 0 && op.cell.table === 0 ? [op.text] : [])),
  )

test.each([
  ['own', ['Item', first!.item, others[0]!.item]],
  ['customer', ['Item', 'OM-BROOD', others[0]!.item]],
  ['gtin', ['Item', '5391234000017', others[0]!.item]],
] as const)('lines name their item as the design says, by our code where there is none: %s', (by, texts) => {
  expect(columnOf(by).slice(0, 3)).toEqual(texts)
  expect(lookOf(suppliedDesign({ ...plainLook, item: by })).item).toBe(by)
})

test('lines that name no item have the room for their description', () => {
  expect(columnOf('none')).toEqual([])
  expect(layOut(named, suppliedDesign({ ...plainLook, item: 'none' }), metrics).problems).toEqual([])
})
