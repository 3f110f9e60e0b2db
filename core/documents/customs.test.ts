import { describe, expect, test } from 'vitest'
import { layOut } from '../designs/layout'
import { languages } from '../money/format'
import { bold, exampleShipment, metrics, order, plain, shipmentInput } from '../testing/examples'
import { customsPaper } from './customs'
import type { ShipmentFacts } from './shipment'

const goods = { commodityCode: '4421 99 99', origin: 'IE', each: '5.5' }
const facts: ShipmentFacts = {
  ...exampleShipment,
  lines: exampleShipment.lines.map((line) => ({ ...line, ...goods })),
}
const input = (change = {}) => ({ ...shipmentInput('customs invoice', facts), ...change })

describe('a customs invoice', () => {
  test('says what each line is worth, where it comes from and what it weighs, and all of them', () => {
    const paper = customsPaper(input(), facts)
    const [first, second] = order.lines
    expect(paper.lines[0]).toMatchObject({
      quantity: '2',
      detail: 'Commodity code 4421 99 99 · origin Ireland · 5.5\u00A0kg each, 11\u00A0kg',
    })
    const value = (line: typeof first, quantity: number) =>
      (Number(line!.unitPrice) * quantity * (100 - Number(line!.discountPercent))) / 100
    const all = value(first, 2) + value(second, 4)
    expect(Number(paper.toPay.amount.replace(',', ''))).toBeCloseTo(all, 2)
    expect(paper.sums).toMatchObject([
      { label: 'Parcels', amount: '2' },
      { label: 'Net weight, kg', amount: '33' },
      { label: 'Gross weight, kg', amount: '18.25' },
    ])
  })

  test('books nothing and says that nothing is to be paid', () => {
    const paper = customsPaper(input(), facts)
    expect(paper.amounts).toEqual({ net: '0', tax: '0', total: '0', toPay: '0' })
    expect(paper).toMatchObject({ payment: null, dueDate: null })
    expect(paper.paragraphs?.[0]).toBe(
      'For customs only: goods sold. Nothing is to be paid on this document.',
    )
  })

  test('is without the tax that is in the prices', () => {
    const withTax = input({
      order: {
        ...order,
        pricesIncludeTax: true,
        lines: order.lines.map((line, place) => ({
          ...line,
          position: place + 1,
          unitPrice: '12.30',
          discountPercent: '0',
          taxCode: 'standard',
        })),
      },
      rates: { standard: '23' },
    })
    expect(customsPaper(withTax, facts).toPay.amount).toBe('60.00')
  })

  test.each([
    [{ commodityCode: '' }, 'no commodity code'],
    [{ origin: '', each: null }, 'no country of origin and no weight'],
  ])('is not made of an item that lacks %o, and says what to enter', (change, said) => {
    const lacking = { ...facts, lines: facts.lines.map((line) => ({ ...line, ...change })) }
    expect(() => customsPaper(input(), lacking)).toThrow(said)
  })

  test('can be drawn in each language and on each design', () => {
    for (const language of languages)
      for (const design of [plain, bold])
        expect(layOut(customsPaper(input({ language }), facts), design, metrics).problems).toEqual([])
  })
})
