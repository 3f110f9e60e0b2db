import { describe, expect, test } from 'vitest'
import { shipmentPaper } from '../documents/shipment'
import { boldLook, exampleShipment, metrics, order, plainLook, shipmentInput } from '../testing/examples'
import { mm } from './design'
import { layOut } from './layout'
import { isFree, lookOf, suppliedDesign, usualPeelOff } from './supplied'

const facts = { ...exampleShipment, printing: { format: 'A6' as const, from: 1, offset: { x: 1.5, y: -2 } } }
const paperOf = (change = {}) => shipmentPaper({ ...shipmentInput('packing slip', facts), ...change }, facts)
const zone = { x: 100, y: 200, width: 90, height: 60 }
const textsOf = (page: ReturnType<typeof layOut>['pages'][number]) =>
  page.ops.flatMap((op) => (op.op === 'text' ? [op] : []))

describe('a sheet with a label to peel off', () => {
  test.each([plainLook, boldLook])(
    'has where the goods go within it, moved by what the printer is off',
    (look) => {
      const design = suppliedDesign({ ...look, peelOff: zone })
      expect(lookOf(design).peelOff).toEqual(zone)
      const { pages, problems } = layOut(paperOf(), design, metrics)
      expect(problems).toEqual([])
      const within = textsOf(pages[0]!).filter(({ y }) => y > 198 * mm && y < 258 * mm)
      expect(within.map(({ text }) => text).join('\n')).toContain(
        'Ottermill Honey Co-op, Weir Store\nGate 2\nWeir Road',
      )
      for (const { x, size } of within) {
        expect(x).toBeCloseTo((100 + 1.5 + 3) * mm)
        expect(size).toBeLessThanOrEqual(10)
      }
    },
  )

  test('keeps its place free on every sheet of a long slip', () => {
    const many = Array.from({ length: 60 }, (_, place) => ({
      ...order.lines[0]!,
      position: place + 1,
    }))
    const long = {
      ...facts,
      lines: many.map(({ position }) => ({
        position,
        quantity: '1',
        ordered: '1',
        earlier: '0',
        later: '0',
        place: '',
      })),
    }
    const input = { ...shipmentInput('packing slip', long), order: { ...order, lines: many } }
    const { pages } = layOut(
      shipmentPaper(input, long),
      suppliedDesign({ ...plainLook, peelOff: zone }),
      metrics,
    )
    expect(pages.length).toBeGreaterThan(2)
    for (const page of pages.slice(1))
      expect(textsOf(page).filter(({ y }) => y > 197 * mm && y < 262 * mm)).toEqual([])
  })

  test('says so where an address does not fit, and marks its corners on a test print', () => {
    const delivery = {
      ...facts.delivery,
      lines: Array.from({ length: 6 }, (_, line) => `Long line ${line} of it`),
    }
    const small = suppliedDesign({ ...plainLook, peelOff: { ...zone, height: 22 } })
    const { problems } = layOut(
      shipmentPaper(shipmentInput('packing slip', { ...facts, delivery }), { ...facts, delivery }),
      small,
      metrics,
    )
    expect(problems.map(({ sentence }) => sentence.words).join()).toContain(
      'too many lines for the peel-off label',
    )
    const marked = layOut(
      { ...paperOf(), crosses: true },
      suppliedDesign({ ...plainLook, peelOff: zone }),
      metrics,
    )
    expect(textsOf(marked.pages[0]!).map(({ text }) => text)).toContain('90 × 60 mm')
  })

  test('lies below the address and above the small print', () => {
    const { page } = suppliedDesign(plainLook)
    expect(isFree(usualPeelOff, { page })).toBe(true)
    expect(isFree({ ...usualPeelOff, y: 60 }, { page })).toBe(false)
    expect(isFree({ ...usualPeelOff, y: 240 }, { page })).toBe(false)
    expect(isFree({ ...usualPeelOff, x: 140 }, { page })).toBe(false)
  })
})

describe('a packing slip', () => {
  const slipOf = (slip: NonNullable<typeof facts.slip>) =>
    shipmentPaper(shipmentInput('packing slip', facts), {
      ...facts,
      slip,
      contact: 'Nuala Reed, nuala@ottermill.example',
    })
  test('shows of the buyer what the house wants', () => {
    const keys = (details: Parameters<typeof slipOf>[0]['details']) =>
      slipOf({ details, prices: false }).facts.map(({ key }) => key)
    expect(keys([])).toEqual(['date', 'order'])
    expect(keys(['contact', 'customer'])).toEqual(['date', 'order', 'customer', 'contact'])
    expect(slipOf({ details: [], prices: false }).paragraphs?.join()).not.toContain('Billed to')
  })

  test('shows prices where that is wanted: of just what goes', () => {
    const { columns, lines, toPay, sums } = slipOf({ details: [], prices: true })
    expect(columns).toMatchObject({ quantity: 'Packed', price: 'Price', amount: 'Net' })
    expect(lines.map(({ quantity, price, amount }) => [quantity, price, amount])).toEqual([
      ['2', '41.50', '83.00'],
      ['4', '38.00', '152.00'],
    ])
    expect(toPay).toEqual({ label: 'Goods, EUR', amount: '235.00' })
    expect(sums.map(({ label }) => label)).toEqual(['Parcels', 'Weight, kg'])
  })
})
