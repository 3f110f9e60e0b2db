import { describe, expect, test } from 'vitest'
import {
  bold,
  exampleInvoice,
  longOrder,
  metrics,
  order,
  orderLine,
  ottermill,
  plain,
  tansyHollow,
} from '../testing/examples'
import { issuePaper } from '../documents/issue'
import { layOut } from './layout'
import type { DrawOp, Page } from './pages'
import { a4, mm } from './stationery'

type Text = Extract<DrawOp, { op: 'text' }>
const texts = (page: Page) => page.ops.filter((op): op is Text => op.op === 'text')
const has = (page: Page, words: string) => texts(page).some((op) => op.text.includes(words))

describe.each([
  ['plain', plain],
  ['bold', bold],
] as const)('the %s design', (_, stationery) => {
  test('the address stands where a window envelope shows it', () => {
    const [page] = layOut(exampleInvoice(), stationery, metrics).pages
    for (const line of exampleInvoice().recipient.lines) {
      const drawn = texts(page!).find((op) => op.text === line)!
      expect(drawn.x).toBeCloseTo(20 * mm)
      expect(drawn.y / mm).toBeGreaterThan(45)
      expect(drawn.y / mm).toBeLessThan(90)
    }
  })

  test('200 lines: the heading row repeats, no row is split, each page says its number of all', () => {
    const { pages, problems } = layOut(exampleInvoice({ order: longOrder(200) }), stationery, metrics)
    expect(problems).toEqual([])
    expect(pages.length).toBeGreaterThan(5)
    pages.slice(0, -1).forEach((page) => expect(has(page, 'Description')).toBe(true))
    pages.forEach((page, index) => expect(has(page, `Page ${index + 1} of ${pages.length}`)).toBe(true))
    const items = pages
      .flatMap((page) => texts(page))
      .filter((op) => /^IT-\d+$/.test(op.text))
      .map((op) => op.text)
    expect(items).toEqual(Array.from({ length: 200 }, (__, index) => `IT-${index + 1}`))
  })

  test.each([1, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 30, 40])(
    'with %i lines the sums stand on the page of the last row',
    (count) => {
      const { pages } = layOut(exampleInvoice({ order: longOrder(count) }), stationery, metrics)
      const pageOf = (words: string) =>
        pages.findIndex((page) => texts(page).some((op) => op.text === words && op.y > 92 * mm))
      const last = pages.findIndex((page) => texts(page).some((op) => op.text === `IT-${count}`))
      const net = pages.findLastIndex((page) =>
        texts(page).some(
          (op) =>
            op.text === 'Net' && op.x > 100 * mm && op.role !== 'artifact' && op.role !== 'table heading',
        ),
      )
      expect(net).toBe(last)
      expect(pageOf('Please pay')).toBeLessThan(pages.length)
    },
  )

  test('nothing is drawn outside the page or over the footer', () => {
    for (const page of layOut(exampleInvoice({ order: longOrder(57) }), stationery, metrics).pages) {
      for (const op of texts(page)) {
        const width = op.pieces.reduce((sum, piece) => sum + piece.width, 0)
        expect(op.x).toBeGreaterThan(15 * mm)
        expect(op.x + width).toBeLessThan(a4.width - 15 * mm)
        if (op.role === 'table cell') expect(op.y).toBeLessThan(a4.height - 30 * mm)
      }
    }
  })

  test('long names wrap in their column and amounts stay on one right edge', () => {
    const paper = exampleInvoice({
      order: {
        ...order,
        lines: [
          orderLine({
            description:
              'A very long description of a brood box that goes on and on over several lines of the table until it ends',
            unitPrice: '98765.4321',
          }),
          orderLine(),
        ],
      },
    })
    const [page] = layOut(paper, stationery, metrics).pages
    const right = (op: Text) =>
      Math.round((op.x + op.pieces.reduce((sum, piece) => sum + piece.width, 0)) * 10) / 10
    const amounts = texts(page!).filter(
      (op) => paper.lines.some((line) => line.amount === op.text) && op.role === 'table cell',
    )
    expect(new Set(amounts.map(right)).size).toBe(1)
  })
})

describe('characters', () => {
  const withLine = (description: string) =>
    layOut(exampleInvoice({ order: { ...order, lines: [orderLine({ description })] } }), plain, metrics)

  test('Polish, Greek, Cyrillic and Vietnamese come from the font that has them', () => {
    const { pages, problems } = withLine('Żółć Ελλάδα Москва Việt')
    expect(problems).toEqual([])
    const drawn = texts(pages[0]!).find((op) => op.text.startsWith('Żółć'))!
    expect(new Set(drawn.pieces.map((piece) => piece.face)).size).toBeGreaterThan(3)
  })

  test('an emoji or a script without a font is reported in words, never drawn as an empty box', () => {
    expect(withLine('Honey 🐝').problems[0]!.sentence).toContain('“🐝” (U+1F41D)')
    expect(withLine('דבש').problems[0]!.code).toBe('missing-glyph')
  })

  test('decomposed letters are composed before the font is asked', () => {
    expect(withLine('Bru\u0308der').problems).toEqual([])
  })
})

test('an address with more lines than the window is refused before issuing', () => {
  const billing = { ...ottermill.billing!, lines: Array.from({ length: 12 }, (_, index) => `Line ${index}`) }
  expect(
    layOut(exampleInvoice({ customer: { ...ottermill, billing } }), plain, metrics).problems[0]!.sentence,
  ).toContain('more lines than the envelope')
})

test('two rates bring a column for the rate, one does not', () => {
  const two = layOut(
    exampleInvoice({ order: { ...order, lines: [orderLine(), orderLine({ taxCode: 'zero' })] } }),
    bold,
    metrics,
  ).pages[0]!
  expect(texts(two).some((op) => op.role === 'table heading' && op.text === 'VAT')).toBe(true)
  expect(
    texts(layOut(exampleInvoice(), bold, metrics).pages[0]!).some(
      (op) => op.role === 'table heading' && op.text === 'VAT',
    ),
  ).toBe(false)
})

test('the same Paper is laid out the same', () => {
  expect(layOut(exampleInvoice(), plain, metrics)).toEqual(layOut(exampleInvoice(), plain, metrics))
})

test('rows of the sums that are left out leave no hole, and the sum to pay stays as it is', () => {
  const shown = (hiddenSums: ('lines' | 'net' | 'tax')[]) =>
    texts(
      layOut(
        exampleInvoice({
          order: { ...order, adjustments: [{ kind: 'charge', label: 'Carriage', amount: '9.50' }] },
        }),
        { ...bold, hiddenSums },
        metrics,
      ).pages[0]!,
    )
  const place = (all: ReturnType<typeof shown>, words: string) => all.find((op) => op.text.startsWith(words))
  expect(place(shown([]), 'Net')).toBeDefined()
  const without = shown(['lines', 'net', 'tax'])
  for (const words of ['Sum of lines', 'VAT 23']) expect(place(without, words), words).toBeUndefined()
  expect(place(without, 'Carriage')).toBeDefined()
  const toPay = (all: ReturnType<typeof shown>) => all.filter((op) => op.text.startsWith('To pay')).at(-1)!
  expect(toPay(shown([])).y - toPay(without).y).toBeCloseTo(3 * 17)
  const amounts = (all: ReturnType<typeof shown>) =>
    all.filter((op) => /^[\d,]+\.\d\d$/.test(op.text)).map((op) => op.text)
  expect(amounts(without)).toContain(amounts(shown([])).at(-1))
})

test('a receipt has no columns for quantity and price, and no table of tax', () => {
  const payment = {
    direction: 'in' as const,
    date: '2026-11-24',
    method: 'card' as const,
    amount: '120.00',
    currency: 'EUR',
    reference: 'OM 118',
    onAccount: '20.00',
    settles: [
      {
        kind: 'invoice' as const,
        number: 'INV-2026-00042',
        date: '2026-11-20',
        amount: '100.00',
        discount: '2.00',
        writtenOff: '0.00',
        left: '0.00',
      },
    ],
  }
  const source = {
    kind: 'payment receipt' as const,
    brand: tansyHollow,
    order: { ...order, lines: [] },
    customer: ottermill,
    language: 'de' as const,
    rates: {},
    payment,
  }
  const paper = issuePaper(source, '2026-11-24', 'PR-2026-00001')
  for (const design of [plain, bold]) {
    const words = texts(layOut(paper, design, metrics).pages[0]!).map((op) => op.text)
    expect(words).toEqual(
      expect.arrayContaining([
        'Zahlungsart',
        'Karte',
        'INV-2026-00042',
        'Rechnung vom 20. November 2026',
        'Skonto 2,00',
        'Guthaben auf Ihrem Konto',
        'Erhalten, EUR',
        '120,00',
      ]),
    )
    for (const none of ['Menge', 'Preis', 'USt']) expect(words).not.toContain(none)
  }
})
