import { describe, expect, test } from 'vitest'
import { layOut } from '../designs/layout'
import { suppliedDesign } from '../designs/supplied'
import { letterFacts } from '../emailtexts/letter-fields'
import { languages, type Language } from '../money/format'
import type { LedgerEntry, OpenEntry, StatementFacts } from '../receivables/statement'
import {
  bold,
  boldLook,
  exampleInvoice,
  metrics,
  order,
  ottermill,
  plain,
  tansyHollow,
} from '../testing/examples'
import type { PaperInput } from './from-order'
import { asPreview } from './issue'
import { statementPaper } from './statement'

const item = (change: Partial<OpenEntry> = {}): OpenEntry => ({
  kind: 'invoice',
  number: 'INV-7',
  day: '2026-10-01',
  dueDate: '2026-10-31',
  amount: '612.54',
  open: '612.54',
  disputed: false,
  promisedOn: null,
  ...change,
})
const booked = (place: number): LedgerEntry => ({
  kind: place % 3 === 2 ? 'payment' : 'invoice',
  number: place % 3 === 2 ? '' : `INV-${place}`,
  day: '2026-11-05',
  dueDate: place % 3 === 2 ? null : '2026-12-05',
  amount: place % 3 === 2 ? '-10.00' : '25.00',
})
const facts = (change: Partial<StatementFacts> = {}): StatementFacts => ({
  period: { form: 'open items', until: '2026-11-30' },
  currency: 'EUR',
  opening: '0',
  entries: [],
  open: [item()],
  balance: '612.54',
  ...change,
})
const inputOf = (language: Language, change: Partial<PaperInput> = {}): PaperInput => ({
  kind: 'statement of account',
  brand: tansyHollow,
  order,
  customer: ottermill,
  language,
  rates: {},
  date: '2026-11-30',
  number: 'SA-2026-0001',
  issued: true,
  ...change,
})
const paperOf = (statement: StatementFacts, language: Language = 'en') =>
  statementPaper(inputOf(language), statement)

describe('the paper of a statement', () => {
  test('says what is open, since when it is late, and what of the balance is past due', () => {
    const paper = paperOf(
      facts({
        open: [
          item({ disputed: true }),
          item({ number: 'CN-2', kind: 'credit note', amount: '-12.54', open: '-12.54' }),
          item({ number: '', kind: 'payment', dueDate: null, amount: '-50.00', open: '-50.00' }),
        ],
        balance: '550.00',
      }),
    )
    expect(paper.lines.map((line) => [line.item, line.detail, line.quantity, line.amount])).toEqual([
      ['INV-7', '30 days late · disputed', '31 Oct 2026', '612.54'],
      ['CN-2', null, '', '−12.54'],
      ['', 'not yet set against an invoice', '', '−50.00'],
    ])
    expect(paper.toPay).toEqual({ label: 'Balance to pay, EUR', amount: '550.00' })
    expect(paper.sums.map((row) => [row.label, row.amount])).toEqual([
      ['Credits', '−62.54'],
      ['of which past due', '612.54'],
    ])
    expect(paper.ageing!.map((step) => step.amount)).toEqual([
      '0.00',
      '612.54',
      '0.00',
      '0.00',
      '0.00',
      '−62.54',
    ])
    expect(paper.payment!.title).toMatch(/^Please pay 550\.00.EUR, which is past due$/)
    expect(paper.amounts).toMatchObject({ total: '550.00', toPay: '550.00', tax: '0' })
  })

  test('in the customer’s favour asks for nothing', () => {
    const paper = paperOf(
      facts({ open: [item({ kind: 'credit note', amount: '-80.00', open: '-80.00' })], balance: '-80.00' }),
    )
    expect(paper.toPay).toEqual({ label: 'Balance in your favour, EUR', amount: '80.00' })
    expect(paper.payment).toBeNull()
    expect(paper.amounts.toPay).toBe('0')
  })

  test.each(languages)('is laid out in %s in both designs, with nothing too long', (language) => {
    for (const design of [plain, bold]) {
      const { problems, pages } = layOut(paperOf(facts(), language), design, metrics)
      expect(problems).toEqual([])
      expect(pages).toHaveLength(1)
    }
  })

  test('of many pages carries its sum forward: what a page ends with, the next begins with', () => {
    const entries = Array.from({ length: 240 }, (_, place) => booked(place))
    const closing = (entries.filter((one) => one.kind === 'invoice').length * 25 - 80 * 10 + 100).toFixed(2)
    const paper = paperOf(
      facts({
        period: { form: 'activity', from: '2026-11-01', until: '2026-11-30' },
        opening: '100.00',
        entries,
        open: [item({ amount: closing, open: closing, dueDate: '2026-12-05' })],
        balance: closing,
      }),
    )
    const { pages, problems } = layOut(paper, plain, metrics)
    expect(problems).toEqual([])
    expect(pages.length).toBeGreaterThan(8)
    const beside = (page: (typeof pages)[number], words: string) => {
      const texts = page.ops.flatMap((op) => (op.op === 'text' ? [op] : []))
      const label = texts.find((one) => one.text === words)
      return label && texts.find((one) => one.y === label.y && one !== label)!.text
    }
    pages.slice(0, -1).forEach((page, place) => {
      const carried = beside(page, 'Carried forward')
      expect(carried).toMatch(/\d/)
      expect(beside(pages[place + 1]!, 'Brought forward')).toBe(carried)
    })
    expect(paper.lines.at(-1)!.amount.replace(/,/g, '')).toBe(closing)
  })
})

test('a reminder is a letter: its heading, its words before the table, and nothing said twice', () => {
  const reminder = {
    level: 2,
    heading: 'Second reminder',
    words: 'We wrote to you before and have not seen a payment.',
    items: [{ documentId: 7, number: 'INV-7', open: '612.54', from: 1, reaches: 2 }],
  }
  const paper = statementPaper(inputOf('en', { kind: 'payment reminder', reminder }), facts())
  expect(paper.heading).toBe('Second reminder')
  expect(paper.sums).toEqual([])
  expect(paper.exact.reminder!.items).toHaveLength(1)
  for (const design of [plain, bold]) {
    const { pages, problems } = layOut(paper, design, metrics)
    expect(problems).toEqual([])
    const at = (words: string) =>
      pages[0]!.ops.flatMap((op) => (op.op === 'text' && op.text.startsWith(words) ? [op.y] : []))[0]!
    expect(at('We wrote to you')).toBeLessThan(at('INV-7'))
  }
})

test('an email lists what is open; a long list ends in how many more stand on the statement', () => {
  const many = Array.from({ length: 29 }, (_, place) => item({ number: `INV-${place}`, open: '10.00' }))
  const people = { customer: ottermill.name, contact: '', brand: 'Tansy Hollow', sender: 'Maeve Tarrant' }
  const of = (open: OpenEntry[], balance: string) => letterFacts([paperOf(facts({ open, balance }))], people)
  const { values, tables } = of(many, '290.00')
  expect(tables.open.rows).toHaveLength(15)
  expect(tables.open.rows.at(-1)![0]).toBe('and 15 more on the statement')
  expect(values.overdue).toMatch(/290\.00/)
  expect(of([item({ open: '5.00', dueDate: '2026-12-24' })], '5.00').values.overdue).toBe('')
  expect(letterFacts([exampleInvoice()], people).tables.open.rows).toEqual([])
})

test('who pays by direct debit is told that it is collected; a reminder asks for what could not be', () => {
  const customer = { ...ottermill, terms: { kind: 'days' as const, days: 14, collected: { mandate: 'M-7' } } }
  const statement = statementPaper(inputOf('en', { customer }), facts())
  expect(statement.payment).toMatchObject({
    title: 'What falls due is collected from your account by direct debit',
    lines: ['Mandate reference M-7'],
    code: null,
  })
  expect(statement.slip).toBeUndefined()
  const reminder = statementPaper(
    inputOf('en', { customer, kind: 'payment reminder' }),
    facts({ period: { form: 'reminder', until: '2026-11-30' } }),
  )
  expect(reminder.payment!.title).toMatch(/^Please pay 612\.54.EUR/)
})

describe('the slip that is sent back with the payment', () => {
  const withSlip = suppliedDesign({ ...boldLook, slip: true })
  const drawn = (paper: ReturnType<typeof paperOf>, design = withSlip) =>
    layOut(paper, design, metrics).pages.flatMap((page) =>
      page.ops.flatMap((op) => (op.op === 'text' ? [op.text] : [])),
    )

  test('says whose payment it is, for which letter, the balance and what of it is past due', () => {
    const notDue = item({ number: 'INV-8', dueDate: '2026-12-20', amount: '100.00', open: '100.00' })
    const paper = paperOf(facts({ open: [item(), notDue], balance: '712.54' }))
    expect(paper.slip!.rows.map(({ value }) => value)).toEqual([
      ottermill.number,
      'SA-2026-0001',
      '712.54',
      '612.54',
    ])
    expect(drawn(paper)).toEqual(expect.arrayContaining([paper.slip!.title, 'Amount paid', 'Paid on']))
  })

  test('shows no number that is not given yet', () => {
    const prepared = statementPaper(inputOf('en', { number: 'SA-2026-0000', issued: false }), facts())
    expect(asPreview(prepared).slip!.rows[1]!.value).toBe('SA-2026-····')
  })

  test('stands only where the design has it, and where something is to pay', () => {
    const title = paperOf(facts()).slip!.title
    expect(drawn(paperOf(facts()), bold)).not.toContain(title)
    const credit = item({ kind: 'credit note', amount: '-80.00', open: '-80.00' })
    expect(drawn(paperOf(facts({ open: [credit], balance: '-80.00' })))).not.toContain(title)
    expect(drawn(exampleInvoice())).not.toContain(title)
  })

  test.each(languages)('is never torn over two pages (%s)', (language) => {
    const many = Array.from({ length: 34 }, (_, at) =>
      item({ number: `INV-${at}`, amount: '10.00', open: '10.00' }),
    )
    const places = new Set<number>()
    for (let count = 20; count < many.length; count++) {
      const open = many.slice(0, count)
      const paper = paperOf(facts({ open, balance: `${count * 10}.00` }), language)
      const { pages, problems } = layOut(paper, withSlip, metrics)
      expect(problems).toEqual([])
      const on = (words: string) =>
        pages.findIndex((page) => page.ops.some((op) => op.op === 'text' && op.text === words))
      expect(on(paper.slip!.fields[2]!)).toBe(on(paper.slip!.title))
      const title = pages.at(-1)!.ops.find((op) => op.op === 'text' && op.text === paper.slip!.title)
      places.add(Math.round((title as { y: number }).y))
    }
    // at the foot, however much stands above it
    expect(places.size).toBe(1)
  })
})
