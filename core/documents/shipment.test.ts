import { describe, expect, test } from 'vitest'
import { layOut } from '../designs/layout'
import { languages, type Language } from '../money/format'
import { bold, exampleShipment, metrics, order, ottermill, plain, shipmentInput } from '../testing/examples'
import type { DocumentKind } from './kinds'
import { shipmentPaper, type ShipmentFacts } from './shipment'

const paperOf = (
  kind: DocumentKind = 'packing slip',
  facts: ShipmentFacts = exampleShipment,
  language: Language = 'en',
) => shipmentPaper(shipmentInput(kind, facts, language), facts)

describe('a packing slip', () => {
  test('says what is packed of what was ordered, where it lies, what went before and what follows', () => {
    const { lines, columns } = paperOf()
    expect(columns).toMatchObject({ quantity: 'Place', price: 'Ordered', amount: 'Packed' })
    expect(lines.map(({ quantity, price, amount, detail }) => [quantity, price, amount, detail])).toEqual([
      ['A05-1', '2', '2', 'with runners fitted'],
      ['C09-1', '6', '4', '1 sent before · 1 to follow'],
    ])
  })

  test('goes to where the goods go, names who is billed, and has no sum of money anywhere', () => {
    const paper = paperOf()
    expect(paper.recipient.lines[0]).toBe('Ottermill Honey Co-op, Weir Store')
    expect(paper.paragraphs?.join('\n')).toContain('Billed to: Ottermill Honey Co-op')
    expect(JSON.stringify(paper)).not.toMatch(/29\.80|38\.00|19\.20/)
    expect(paper.sums.map(({ amount }) => amount)).toEqual(['2'])
    expect(paper.toPay).toEqual({ label: 'Weight, kg', amount: '18.25' })
  })

  test('says so where it is a part, and where the order is complete with it', () => {
    expect(paperOf().paragraphs?.at(-1)).toBe('This is a part of your order; the rest follows.')
    const all = { ...exampleShipment, lines: exampleShipment.lines.map((one) => ({ ...one, later: '0' })) }
    expect(paperOf('packing slip', all).paragraphs?.at(-1)).toBe('With this your order is complete.')
  })

  test('counts parcels in the place of a weight that nobody knows', () => {
    const [first, ...others] = exampleShipment.parcels
    const facts = { ...exampleShipment, parcels: [{ ...first!, weight: null }, ...others] }
    expect(paperOf('packing slip', facts).toPay).toEqual({ label: 'Parcels', amount: '2' })
  })

  test('goes where the goods go, though nobody said yet where the customer is billed', () => {
    const input = {
      ...shipmentInput('packing slip', exampleShipment),
      customer: { ...ottermill, billing: null },
    }
    const paper = shipmentPaper(input, exampleShipment)
    expect(paper.recipient).toEqual(paperOf('packing slip', exampleShipment).recipient)
    expect(paper.exact.buyer.address).toEqual(exampleShipment.delivery)
  })
})

describe('a delivery note', () => {
  test('is signed at the foot of its last page, in each language and on each design', () => {
    for (const language of languages)
      for (const design of [plain, bold]) {
        const paper = paperOf('delivery note', exampleShipment, language)
        const { pages, problems } = layOut(paper, design, metrics)
        expect(problems).toEqual([])
        const texts = pages.at(-1)!.ops.flatMap((op) => (op.op === 'text' ? [op] : []))
        const title = texts.find(({ text }) => text === paper.signature!.title)!
        const below = texts.filter(({ y }) => y > title.y + 70 && y < pages.at(-1)!.height - 90)
        expect(below).toEqual([])
      }
  })

  test('of two hundred lines keeps its signature with the last of them', () => {
    const lines = Array.from({ length: 200 }, (_, n) => ({
      ...exampleShipment.lines[0]!,
      position: n + 1,
    }))
    const facts = { ...exampleShipment, lines }
    const input = shipmentInput('delivery note', facts)
    const paper = shipmentPaper(
      {
        ...input,
        order: {
          ...order,
          lines: lines.map(({ position }) => ({ ...order.lines[0]!, position })),
        },
      },
      facts,
    )
    const { pages, problems } = layOut(paper, plain, metrics)
    expect(problems).toEqual([])
    const saying = (text: string) =>
      pages.filter(({ ops }) => ops.some((op) => op.op === 'text' && op.text === text)).length
    expect(saying(paper.signature!.title)).toBe(1)
    expect(pages.length).toBeGreaterThan(5)
  })
})
