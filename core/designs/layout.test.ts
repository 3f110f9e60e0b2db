import { describe, expect, test } from 'vitest'
import {
  bold,
  boldLook,
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
import type { Paper } from '../documents/paper'
import { layOut } from './layout'
import type { DrawOp, Page } from './pages'
import { mm } from './design'
import { suppliedDesign } from './supplied'
import { inWords } from '../testing/in-words'

type Text = Extract<DrawOp, { op: 'text' }>
const texts = (page: Page) => page.ops.filter((op): op is Text => op.op === 'text')
const has = (page: Page, words: string) => texts(page).some((op) => op.text.includes(words))

describe.each([
  ['plain', plain],
  ['bold', bold],
] as const)('the %s design', (_, design) => {
  test('the address stands where a window envelope shows it', () => {
    const [page] = layOut(exampleInvoice(), design, metrics).pages
    for (const line of exampleInvoice().recipient.lines) {
      const drawn = texts(page!).find((op) => op.text === line)!
      expect(drawn.x).toBeCloseTo(20 * mm)
      expect(drawn.y / mm).toBeGreaterThan(45)
      expect(drawn.y / mm).toBeLessThan(90)
    }
  })

  test('200 lines: the heading row repeats, no row is split, each page says its number of all', () => {
    const { pages, problems } = layOut(exampleInvoice({ order: longOrder(200) }), design, metrics)
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

  test('texts in the foot stand on every page above the small print, and nothing reaches into them', () => {
    const foot = ['Goods stay ours until they are paid. '.repeat(6).trim()]
    const { pages, problems } = layOut({ ...exampleInvoice({ order: longOrder(60) }), foot }, design, metrics)
    expect(problems).toEqual([])
    for (const page of pages) {
      const own = texts(page).filter((op) => foot[0]!.includes(op.text) && op.text.length > 20)
      expect(own.length).toBeGreaterThan(1)
      const top = Math.min(...own.map((op) => op.y))
      const small = texts(page)
        .filter((op) => op.size <= 7 && op.y > 250 * mm)
        .map((op) => op.y)
      expect(Math.max(...own.map((op) => op.y))).toBeLessThan(Math.min(...small))
      const others = texts(page).filter((op) => !own.includes(op) && op.size > 7.5 && op.role !== 'artifact')
      expect(Math.max(...others.map((op) => op.y))).toBeLessThan(top)
    }
  })

  test('a text on a page of its own begins one, however long, and the pages count it', () => {
    const text = Array.from({ length: 120 }, (__, n) => `Clause ${n + 1} says something.`).join('\n')
    const plainly = layOut(exampleInvoice(), design, metrics).pages.length
    const { pages, problems } = layOut(
      { ...exampleInvoice(), pages: [{ title: 'Terms of sale', text }] },
      design,
      metrics,
    )
    expect(problems).toEqual([])
    expect(pages.length).toBeGreaterThan(plainly + 1)
    expect(has(pages[plainly]!, 'Terms of sale')).toBe(true)
    expect(has(pages.at(-1)!, 'Clause 120 says')).toBe(true)
    expect(has(pages[0]!, `Page 1 of ${pages.length}`)).toBe(true)
    const clauses = pages.flatMap((page) => texts(page)).filter((op) => op.text.startsWith('Clause '))
    expect(clauses).toHaveLength(120)
  })

  test('texts in the foot that leave no room for the document are a problem that says the remedy', () => {
    const foot = ['Goods stay ours until they are paid. '.repeat(200)]
    const { problems } = layOut({ ...exampleInvoice(), foot }, design, metrics)
    expect(problems.map((one) => one.sentence.words).join()).toContain('Settings, Standing')
  })

  test.each([1, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 30, 40])(
    'with %i lines the sums stand on the page of the last row',
    (count) => {
      const { pages } = layOut(exampleInvoice({ order: longOrder(count) }), design, metrics)
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
    for (const page of layOut(exampleInvoice({ order: longOrder(57) }), design, metrics).pages) {
      for (const op of texts(page)) {
        const width = op.pieces.reduce((sum, piece) => sum + piece.width, 0)
        expect(op.x).toBeGreaterThan(15 * mm)
        expect(op.x + width).toBeLessThan(210 * mm - 15 * mm)
        if (op.role === 'table cell') expect(op.y).toBeLessThan(297 * mm - 30 * mm)
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
              'A very long description of a brood box that goes on and on over several lines of the table ' +
              'until it ends',
            unitPrice: '98765.4321',
          }),
          orderLine(),
        ],
      },
    })
    const [page] = layOut(paper, design, metrics).pages
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

  test(
    'an emoji comes from the font with pictures and stops nothing; a script without a font is ' +
      'reported in words',
    () => {
      const { pages, problems, replaced } = withLine('Honey 🐝')
      expect([problems, replaced]).toEqual([[], []])
      const drawn = texts(pages[0]!).find((op) => op.text.startsWith('Honey'))!
      expect(drawn.pieces.at(-1)!.face).toContain('noto-emoji')
      expect(withLine('דבש').problems[0]!.code).toBe('missing-glyph')
    },
  )

  test('a sign that no font has is replaced and said, and stops nothing', () => {
    const { problems, replaced } = withLine('Frame ꙮ 𝌆')
    expect(problems.map((one) => one.code)).toEqual(['missing-glyph'])
    expect(inWords(replaced)).toEqual([expect.stringContaining('“𝌆” in “Frame')])
  })

  test('decomposed letters are composed before the font is asked', () => {
    expect(withLine('Bru\u0308der').problems).toEqual([])
  })
})

test('an address with more lines than the window is refused before issuing', () => {
  const billing = { ...ottermill.billing!, lines: Array.from({ length: 12 }, (_, index) => `Line ${index}`) }
  expect(
    layOut(exampleInvoice({ customer: { ...ottermill, billing } }), plain, metrics).problems[0]!.sentence
      .words,
  ).toContain('more lines than the envelope')
})

const isRateColumn = (op: { role: string; text: string; cell?: { table: number } }) =>
  op.role === 'table heading' && op.text === 'VAT' && op.cell?.table === 0

test('two rates bring a column for the rate, one does not', () => {
  const two = layOut(
    exampleInvoice({ order: { ...order, lines: [orderLine(), orderLine({ taxCode: 'zero' })] } }),
    bold,
    metrics,
  ).pages[0]!
  expect(texts(two).some(isRateColumn)).toBe(true)
  expect(texts(layOut(exampleInvoice(), bold, metrics).pages[0]!).some(isRateColumn)).toBe(false)
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
        suppliedDesign({ ...boldLook, hiddenSums: [...hiddenSums] }),
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

describe.each([plain, bold])('what must stand on the paper, $design', (design) => {
  const laidOut = (change: Parameters<typeof exampleInvoice>[0]) =>
    layOut(exampleInvoice(change), design, metrics)
  const all = (change: Parameters<typeof exampleInvoice>[0]) =>
    laidOut(change).pages.flatMap((page) => texts(page))
  const said = (change: Parameters<typeof exampleInvoice>[0]) => all(change).map((op) => op.text)

  test('base, rate and tax of every rate, on an invoice and a credit note', () => {
    const lines = [
      orderLine({ quantity: '1', unitPrice: '100', taxCode: 'standard' }),
      orderLine({ quantity: '1', unitPrice: '200', taxCode: 'reduced' }),
      orderLine({ quantity: '1', unitPrice: '50', taxCode: 'zero' }),
    ]
    const adjustments = [{ kind: 'charge' as const, label: 'Carriage', amount: '10', taxCode: 'standard' }]
    const table = all({ order: { ...order, lines, adjustments } })
      .filter((op) => op.cell?.table === 2 && op.role === 'table cell')
      .map((op) => op.text)
    expect(table).toEqual([
      ...['23\u00A0%', '110.00', '25.30'],
      ...['13.5\u00A0%', '200.00', '27.00'],
      ...['0\u00A0%', '50.00', '0.00'],
    ])
  })

  test('rows of 0 % stay apart, each with its reason', () => {
    const lines = [orderLine({ taxCode: 'zero' }), orderLine({ taxCode: 'exempt' })]
    const texts = said({
      order: { ...order, lines },
      rates: { zero: '0', exempt: '0' },
      taxWords: {
        zero: { name: 'zero rated', reason: '' },
        exempt: { name: 'exempt', reason: 'Article 132 of Directive 2006/112/EC.' },
      },
    })
    expect(texts).toContain('0\u00A0% exempt')
    expect(texts).toContain('0\u00A0% zero rated')
    expect(texts).toContain('0\u00A0% exempt: Article 132 of Directive 2006/112/EC.')
  })

  test('that prices include tax, where they do', () => {
    expect(said({ order: { ...order, pricesIncludeTax: true } })).toContain('Prices include VAT.')
    expect(said({})).not.toContain('Prices include VAT.')
  })

  test('sums of any length never overlap their label, or are refused', () => {
    const lines = [orderLine({ quantity: '999999', unitPrice: '9999999.99' })]
    const label = 'Carriage, packing and insurance of everything that goes to the islands this season'
    const adjustments = [{ kind: 'charge' as const, label, amount: '10' }]
    const { pages, problems } = laidOut({ order: { ...order, lines, adjustments } })
    if (problems.length > 0) return
    const ops = pages.flatMap((page) => texts(page)).filter((op) => [1, 2].includes(op.cell?.table ?? -1))
    const width = (op: (typeof ops)[number]) => op.pieces.reduce((sum, piece) => sum + piece.width, 0)
    for (const a of ops)
      for (const b of ops)
        if (a !== b && Math.abs(a.y - b.y) < 6 && a.x <= b.x) expect(a.x + width(a)).toBeLessThan(b.x + 0.5)
  })

  test('a long name is set smaller and whole, and one that fits nowhere is refused', () => {
    const name = 'The Very Long Established Apiary and Beekeeping Requisites Company'
    const brand = { ...tansyHollow, name }
    const { pages, problems } = laidOut({ brand: { ...brand, addressLines: ['1 Lane', 'Town'] } })
    expect(problems.filter((one) => one.sentence.words.includes('name'))).toEqual([])
    const words = texts(pages[0]!)
      .map((op) => op.text)
      .join(' ')
    expect(words).toContain('Requisites Company')
    const endless = laidOut({ brand: { ...brand, name: `${name} ${name} ${name}` } })
    expect(endless.problems.map((one) => one.sentence.words).join(' ')).toContain('too long for the head')
  })

  test('the foot is never cut and never tears a telephone number; what is too long for it is refused', () => {
    const brand = {
      ...tansyHollow,
      registration: 'Registered in Ballynore under number 000000, Companies Office of Glenhaven County',
      phone: '+353 00 000 0000',
    }
    const foot = laidOut({ brand }).pages[0]!
    const lines = texts(foot)
      .filter((op) => op.role === 'artifact')
      .map((op) => op.text.replaceAll('\u00A0', ' '))
    expect(lines.join(' ')).toContain('Glenhaven County')
    expect(lines.some((line) => line.includes('+353 00 000 0000'))).toBe(true)
    const long = { ...brand, registration: 'Registered somewhere. '.repeat(60) }
    expect(
      laidOut({ brand: long })
        .problems.map((one) => one.sentence.words)
        .join(' '),
    ).toContain('small print')
  })

  test('a long note begins on the first page and leaves no lone line on the next', () => {
    for (let count = 30; count < 75; count += 5) {
      const customerNote = Array.from({ length: count }, (_, index) => `Note line ${index}`).join('\n')
      const { pages } = laidOut({ order: { ...order, customerNote } })
      const perPage = pages.map((page) => texts(page).filter((op) => op.text.startsWith('Note line')).length)
      expect(perPage.reduce((sum, lines) => sum + lines, 0)).toBe(count)
      expect(perPage.filter((lines) => lines === 1)).toEqual([])
      if (pages.length > 1) expect(perPage[0]).toBeGreaterThan(1)
    }
  })

  test('no English on a paper of another language', () => {
    const lines = [orderLine({ unit: 'pair', quantity: '10' })]
    const customer = { ...ottermill, language: 'de' as const }
    const texts = said({ language: 'de', customer, order: { ...order, lines } })
    expect(texts).toContain('10\u00A0Paar')
    expect(texts.join(' ').replaceAll('\u00A0', ' ')).toContain('USt-IdNr. IE 0000000T')
    expect(texts.join(' ')).not.toMatch(/\bVAT\b/)
  })

  test('a missing tax number stops an invoice, unless the company says what is printed instead', () => {
    const brand = { ...tansyHollow, taxNumber: '' }
    expect(() => laidOut({ brand })).toThrow('has no tax number')
    const texts = said({ brand: { ...brand, withoutTaxNumber: { en: 'Not registered for VAT.' } } })
    expect(texts).toContain('Not registered for VAT.')
  })
})

describe('facts at a glance', () => {
  const facts: Paper['facts'] = [
    { key: 'date', label: 'Datum', value: '30. November 2026' },
    { key: 'order', label: 'Unser Auftrag', value: 'SO-20921' },
    { key: 'taxNumber', label: 'Steuernummer des Empfängers', value: 'DE 000000018' },
    { key: 'customer', label: 'Versand durch', value: 'Glenhaven Parcels, Nachtexpress bis zwölf Uhr' },
    { key: 'reference', label: 'Ihr Zeichen', value: 'IW/352' },
  ]
  const drawn = (design: typeof plain) => {
    const { pages, problems } = layOut({ ...exampleInvoice(), facts }, design, metrics)
    expect(problems).toEqual([])
    return texts(pages[0]!).filter((op) => op.cell?.table === 3)
  }
  const rightOf = (op: Text) => op.x + op.pieces.reduce((sum, { width }) => sum + width, 0)

  test('stand in columns that are as wide as their words, none over its neighbour', () => {
    const ops = drawn(bold)
    expect(new Set(ops.map((op) => op.text)).size).toBeGreaterThanOrEqual(10)
    for (const op of ops)
      for (const other of ops)
        if (other !== op && other.y === op.y && other.x >= op.x) expect(rightOf(op)).toBeLessThan(other.x)
  })

  test('in rows, a long one goes on below its label', () => {
    const long = 'By the van of the house, on the second Thursday of the month, after noon'
    const { pages } = layOut(
      { ...exampleInvoice(), facts: [...facts, { key: 'invoice', label: 'Versand', value: long }] },
      plain,
      metrics,
    )
    const lines = texts(pages[0]!).filter((op) => op.cell?.table === 3 && long.includes(op.text))
    expect(lines.length).toBeGreaterThan(1)
    expect(lines.map((op) => op.text).join(' ')).toBe(long)
  })
})

test('what is open on the account stands below what is to pay, amounts at the right, or nowhere', () => {
  const account = {
    title: 'Open on your account on 30 Nov 2026',
    headings: ['Document', 'Due', 'Open EUR'] as [string, string, string],
    rows: [
      ['INV-1', '5 Nov', '1,234.50'],
      ['INV-2', '9 Nov', '8.00'],
    ] as [string, string, string][],
  }
  const paper = { ...exampleInvoice(), account }
  expect(has(layOut(paper, plain, metrics).pages[0]!, 'INV-1')).toBe(false)
  const design = suppliedDesign({ ...boldLook, account: true })
  const { pages, problems } = layOut(paper, design, metrics)
  expect(problems).toEqual([])
  const all = pages.flatMap(texts)
  const at = (text: string) => all.find((op) => op.text === text)!
  expect(at('INV-1').y).toBeGreaterThan(at(paper.toPay.amount).y)
  expect(at('8.00').x).toBeGreaterThan(at('1,234.50').x)
  expect(at('INV-2').y).toBeGreaterThan(at('INV-1').y)
})

test('a list of open items that the page has no room for stands whole on the next', () => {
  const row: [string, string, string] = ['INV', '5 Nov', '1.00']
  const account = { title: 'Open', headings: row, rows: Array.from({ length: 15 }, () => row) }
  const design = suppliedDesign({ ...boldLook, account: true })
  for (let lines = 10; lines < 40; lines += 3) {
    const { pages, problems } = layOut(
      { ...exampleInvoice({ order: longOrder(lines) }), account },
      design,
      metrics,
    )
    expect(problems).toEqual([])
    const counts = pages.map((page) => texts(page).filter((op) => op.text === 'INV').length)
    expect(counts.filter((count) => count > 0)).toEqual([16])
  }
})
