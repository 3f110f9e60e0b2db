import { describe, expect, test } from 'vitest'
import type { DocumentKind } from '../documents/kinds'
import { languages, type Language } from '../money/format'
import type { Paper } from '../documents/paper'
import { exampleInvoice, order } from '../testing/examples'
import { starterText } from '../house/starter'
import { fillEmailText } from './email-text'
import { plainEmailLook } from './email-look'
import type { OpenItem } from '../documents/open-table'
import { letterFacts } from './letter-fields'

const people = { customer: 'Ottermill', contact: 'Nuala Fennimore', brand: 'Tansy', sender: 'Maeve' }
const paper = (number: string, change = {}, date = '2026-11-24'): Paper =>
  exampleInvoice({ number, date, issued: true, order: { ...order, ...change } })
const mail = (
  papers: readonly [Paper, ...Paper[]],
  kind: DocumentKind = 'invoice',
  language: Language = 'en',
) => {
  const frame = {
    brandName: 'Tansy',
    colours: { brand: '#8a5a00', accent: '#d9a514' },
    look: plainEmailLook,
    footLines: [],
    language: 'en' as const,
  }
  return fillEmailText(starterText('first', kind, language), letterFacts(papers, people), frame)
}

describe('the supplied email of an invoice', () => {
  test('names number, date, sum and due date', () => {
    const { subject, text } = mail([paper('INV-1')])
    expect(subject).toBe('Invoice INV-1 for your order SO-20931')
    expect(text).toMatch(/invoice INV-1 of 24 November 2026 for [\d,.]+\sEUR, due on \d+ \w+ 2026\./)
  })

  test('with several documents names every number, date, sum and due date', () => {
    const { subject, text } = mail([paper('INV-1'), paper('INV-2', { number: 'SO-9' }, '2026-11-25')])
    expect(subject).toBe('Invoices INV-1, INV-2 for your order SO-20931, SO-9')
    expect(text).toMatch(/Invoice INV-1 of 24 November 2026: [\d,.]+\sEUR, due on 24 December 2026/)
    expect(text).toMatch(/Invoice INV-2 of 25 November 2026: [\d,.]+\sEUR, due on 25 December 2026/)
    expect(text).toMatch(/together [\d,.]+\sEUR to pay/)
  })

  test('without an order never speaks of "your order ,"', () => {
    const one = paper('INV-1', { number: '' })
    for (const papers of [[one], [one, paper('INV-2', { number: '' })]] as [Paper, ...Paper[]][]) {
      const { subject, text } = mail(papers)
      expect(`${subject} ${text}`).not.toMatch(/order/)
    }
    const { subject } = mail([one, paper('INV-2')])
    expect(subject).toBe('Invoices INV-1, INV-2 for your order SO-20931')
  })

  test.each(languages)('that is paid already, or comes to nothing, asks for nothing (%s)', (language) => {
    const full = paper('INV-1').amounts.total
    const paid = mail([paper('INV-1', { prepaid: full })], 'invoice', language)
    const free = paper('INV-1', {
      lines: order.lines.map((line) => ({ ...line, unitPrice: '0' })),
      adjustments: [],
    })
    const nothing = mail([free], 'invoice', language)
    expect(paid.text).toMatch(/paid already|bereits bezahlt|déjà réglée/)
    expect(nothing.text).toMatch(/nothing to pay|nichts zu zahlen|rien à régler/)
    for (const { text } of [paid, nothing]) expect(text).not.toMatch(/due on|fällig am|au plus tard le/)
    expect(nothing.text).not.toMatch(/0[.,]00/)
  })
})

describe('open items in the email of an invoice', () => {
  const item = (number: string): OpenItem => ({
    kind: 'invoice',
    number,
    dueDate: '2026-12-24',
    open: '12.5',
  })
  const listed = (open: OpenItem[], language: Language = 'en') =>
    letterFacts([{ ...paper('INV-1'), language }], { ...people, open }).tables.open.rows

  test('say number, due date and what is open; money on account by its name', () => {
    const payment: OpenItem = { kind: 'payment', number: '', dueDate: null, open: '-40' }
    expect(listed([item('INV-7'), payment], 'de')).toEqual([
      ['INV-7', '24. Dez. 2026', '12,50'],
      ['Zahlung', '', '−40,00'],
    ])
  })

  test('that are many end in how many more there are', () => {
    const rows = listed(Array.from({ length: 28 }, (_, at) => item(`INV-${at}`)))
    expect(rows).toHaveLength(15)
    expect(rows.at(-1)).toEqual(['and 14 more on the statement', '', ''])
    expect(listed(Array.from({ length: 15 }, (_, at) => item(`INV-${at}`)))).toHaveLength(15)
  })
})
