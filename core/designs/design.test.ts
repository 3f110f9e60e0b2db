import { describe, expect, test } from 'vitest'
import { bold, boldLook, exampleInvoice, longOrder, metrics, plain, plainLook } from '../testing/examples'
import { readDesign } from './check-design'
import { mm, type Design } from './design'
import { layOut } from './layout'
import type { DrawOp } from './pages'
import { lookOf, suppliedDesign } from './supplied'

const clone = (design: Design) => structuredClone(design) as Design & Record<string, unknown>
const drawn = (design: Design) => layOut(exampleInvoice(), design, metrics)
const texts = (ops: readonly DrawOp[]) => ops.flatMap((op) => (op.op === 'text' ? op : []))

describe('a design as data', () => {
  test.each([
    ['plain', plain],
    ['bold', bold],
  ])('the supplied one is in order: %s', (_, design) => {
    expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual(design)
  })

  test.each([
    ['a strip that nobody draws', (one: Design) => ({ ...one, strips: [{ strip: 'poem' }] }), 'strips.0'],
    ['a page of no width', (one: Design) => ({ ...one, page: { ...one.page, width: 0 } }), 'page.width'],
    [
      'a colour in words',
      (one: Design) => ({ ...one, colours: { ...one.colours, brand: 'red' } }),
      'colours.brand',
    ],
    [
      'a font that does not ship',
      (one: Design) => ({ ...one, fonts: { heading: 'Arial', text: 'Bitter' } }),
      'fonts',
    ],
    ['a later form', (one: Design) => ({ ...one, format: 2 }), 'format'],
    ['what nobody reads', (one: Design) => ({ ...one, wishes: 1 }), 'not in order'],
  ])('%s is refused, and the place is named', (_, change, place) => {
    expect(() => readDesign(change(clone(plain)))).toThrow(place)
  })

  test('a piece with a picture that is not there is refused', () => {
    const design = clone(plain)
    design.strips.push({ strip: 'free', pieces: [{ piece: 'picture', picture: 'seal', x: 10, y: 10 }] })
    expect(() => readDesign(design)).toThrow('“seal”')
  })

  test('what was chosen of a supplied design is read back from it', () => {
    const look = {
      ...boldLook,
      hiddenSums: ['net' as const],
      logo: { picture: 'a'.repeat(64), ratio: 2, width: 30 },
    }
    expect(lookOf(suppliedDesign(look))).toEqual(look)
  })
})

describe('strips', () => {
  test('stand in the order of the design, and one that is left out leaves no trace', () => {
    const without = { ...plain, strips: plain.strips.filter((one) => one.strip !== 'payment') }
    const words = (design: Design) => texts(drawn(design).pages[0]!.ops).map((op) => op.text)
    expect(words(plain)).toContain(exampleInvoice().payment!.title)
    expect(words(without)).not.toContain(exampleInvoice().payment!.title)
    expect(drawn(without).problems).toEqual([])
  })

  test('without a table the rest stands below the head', () => {
    const label = { ...plain, strips: plain.strips.filter((one) => one.strip !== 'lines') }
    expect(drawn(label).pages).toHaveLength(1)
    expect(texts(drawn(label).pages[0]!.ops).map((op) => op.text)).toContain(exampleInvoice().payment!.title)
  })

  test('any number of pictures, on the first page or on every one, behind everything else', () => {
    const picture = (letter: string) => ({ picture: letter.repeat(64), ratio: 1, width: 12 })
    const design: Design = {
      ...suppliedDesign({ ...plainLook, logo: picture('a') }),
      pictures: { logo: picture('a'), seal: picture('b'), bee: picture('c') },
    }
    design.strips = [
      ...design.strips,
      {
        strip: 'free',
        pieces: [
          { piece: 'picture', picture: 'seal', x: 170, y: 250 },
          { piece: 'picture', picture: 'bee', x: 5, y: 5, every: true },
        ],
      },
    ]
    const { pages } = layOut(exampleInvoice({ order: longOrder(60) }), readDesign(design), metrics)
    const on = (page: number) => pages[page]!.ops.flatMap((op) => (op.op === 'picture' ? op.picture[0] : []))
    expect(on(0)).toEqual(['b', 'c', 'a'])
    expect(on(1)).toEqual(['c'])
    expect(pages[1]!.ops[0]).toMatchObject({ op: 'picture', x: 5 * mm, width: 12 * mm })
  })
})

describe('any size of page', () => {
  test('US Letter: nothing leaves its margins, and the small print stands at its foot', () => {
    const letter: Design = { ...plain, page: { ...plain.page, width: 215.9, height: 279.4 } }
    const { pages, problems } = layOut(exampleInvoice({ order: longOrder(60) }), letter, metrics)
    expect(problems).toEqual([])
    for (const { width, height, ops } of pages) {
      expect([width / mm, height / mm]).toEqual([expect.closeTo(215.9), expect.closeTo(279.4)])
      const ends = texts(ops).map((op) => op.x + op.pieces.reduce((sum, piece) => sum + piece.width, 0))
      expect(Math.max(...ends)).toBeLessThanOrEqual((215.9 - 18) * mm + 0.01)
      expect(Math.max(...texts(ops).map((op) => op.y))).toBeLessThan(height)
    }
  })
})
