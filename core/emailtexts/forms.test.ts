import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Refusal } from '../errors'
import { plainEmailLook } from './email-look'
import { fillEmailText } from './email-text'
import { exampleFacts, exampleFields, mergeFieldNames, type MergeFields } from './fields'
import { bodyHtml, bodyText } from './forms'
import { bodyOf, fieldsIn, tidy, type Body, type InlineNode, type Mark } from './nodes'
import { settle } from './settle'

const frame = {
  brandName: 'Tansy',
  colours: { brand: '#8a5a00', accent: '#d9a514' },
  look: plainEmailLook,
  footLines: [],
  language: 'en' as const,
}
const { tables } = exampleFacts
const paragraph = (...content: InlineNode[]): Body => ({
  type: 'doc',
  content: [{ type: 'paragraph', content }],
})
const words = (text: string, ...marks: Mark[]): InlineNode => ({ type: 'text', text, marks })
const link = (href: string): Mark => ({ type: 'link', attrs: { href } })

describe('an email text in its two forms', () => {
  test('bold and links are said in both; a plain text says where a link leads', () => {
    const body = paragraph(
      words('See '),
      words('our ', link('https://tansy.example/a?b=1&c=2')),
      words('terms', { type: 'bold' }, link('https://tansy.example/a?b=1&c=2')),
      words('.'),
    )
    expect(bodyText(body, tables)).toBe('See our terms (https://tansy.example/a?b=1&c=2).')
    expect(bodyHtml(body, tables)).toContain('<strong>terms</strong>')
    expect(bodyHtml(body, tables)).toContain('href="https://tansy.example/a?b=1&amp;c=2"')
  })

  test('an address that is its own link is said once', () => {
    expect(bodyText(paragraph(words('a@b.example', link('mailto:a@b.example'))), tables)).toBe('a@b.example')
  })

  test('a link that a mail program could run stays words', () => {
    for (const href of ['javascript:alert(1)', 'data:text/html,x', 'https://a" onclick="x'])
      expect(bodyHtml(paragraph(words('x', link(href))), tables)).not.toContain('href')
  })

  test('lists have their dashes and numbers', () => {
    const item = (text: string) => ({ type: 'listItem' as const, content: bodyOf(text).content as never })
    const list = (type: 'bulletList' | 'orderedList'): Body => ({
      type: 'doc',
      content: [{ type, content: [item('one\nmore'), item('two')] }],
    })
    expect(bodyText(list('bulletList'), tables)).toBe('- one\n  more\n- two')
    expect(bodyText(list('orderedList'), tables)).toBe('1. one\n   more\n2. two')
    expect(bodyHtml(list('orderedList'), tables)).toMatch(/<ol.*<li.*one<br>more.*<\/ol>/)
  })

  test('a table of lines stands in both, escaped; one without rows is left out', () => {
    const table: Body = {
      type: 'doc',
      content: [
        { type: 'factTable', attrs: { of: 'lines' } },
        { type: 'factTable', attrs: { of: 'documents' } },
      ],
    }
    const hostile = { ...tables, lines: { ...tables.lines, rows: [['<b>Honey</b>', '2', '84.00']] } }
    expect(bodyHtml(table, hostile)).toContain('&lt;b&gt;Honey')
    expect(bodyHtml(table, hostile).match(/<table/g)).toHaveLength(1)
    expect(bodyText(table, hostile)).toBe('<b>Honey</b>, 2, 84.00')
  })
})

describe('a field', () => {
  const due = (instead: string, ...marks: Mark[]): InlineNode => ({
    type: 'field',
    attrs: { name: 'due', instead },
    marks,
  })
  const without = { ...exampleFields, due: '' }

  test('without a value stops the email, unless something stands for it', () => {
    expect(() => settle(paragraph(due('')), without, 'text')).toThrow('needs “due”')
    const numberless = { ...exampleFields, customerNumber: '' }
    const number: InlineNode = { type: 'field', attrs: { name: 'customerNumber', instead: '' } }
    expect(() => settle(paragraph(number), numberless, 'text')).toThrow('needs “customer number”')
    expect(bodyText(settle(paragraph(due('at once')), without, 'text'), tables)).toBe('at once')
    expect(bodyText(settle(paragraph(due('at once')), exampleFields, 'text'), tables)).toBe(
      '24 December 2026',
    )
  })

  test('in a passage for it stands or not; a paragraph of passages only leaves no gap', () => {
    const there: Mark = { type: 'passage', attrs: { field: 'due', is: 'there', not: false } }
    const body: Body = {
      type: 'doc',
      content: [...bodyOf('Hello').content, ...paragraph(words('Due on ', there), due('', there)).content],
    }
    expect(bodyText(settle(body, exampleFields, 'text'), tables)).toBe('Hello\n\nDue on 24 December 2026')
    expect(settle(body, without, 'text')).toEqual(bodyOf('Hello'))
  })

  test('a table and a picture stand or not as a passage does, and name its field', () => {
    const when = { field: 'due', is: 'there', not: false } as const
    const sign = { sha256: 'a'.repeat(64), alt: 'Our stamp', width: 90 }
    const body = tidy({
      type: 'doc',
      content: [
        ...bodyOf('Hello').content,
        { type: 'picture', attrs: { ...sign, when } },
        { type: 'factTable', attrs: { of: 'lines', when: { ...when, not: true } } },
      ],
    } as Body)
    expect(fieldsIn(body)).toEqual(['due', 'due'])
    expect(settle(body, exampleFields, 'text').content.slice(1)).toEqual([{ type: 'picture', attrs: sign }])
    expect(settle(body, without, 'text').content.slice(1)).toEqual([
      { type: 'factTable', attrs: { of: 'lines' } },
    ])
  })

  test('that is written by hand between braces is refused; such words in a value are the customer’s', () => {
    for (const text of ['For {number}', 'For {{ number }}', 'For {{number}'])
      expect(() => settle(bodyOf(text), exampleFields, 'subject')).toThrow('is not a field')
    expect(() => settle(bodyOf('{{ 7 * 7 }} and {}'), exampleFields, 'text')).not.toThrow()
    const named = { ...exampleFields, customer: '{number} & sons' }
    const field: InlineNode = { type: 'field', attrs: { name: 'customer', instead: '' } }
    expect(bodyText(settle(paragraph(field), named, 'text'), tables)).toBe('{number} & sons')
  })

  test('keeps its lines, and spaces at the ends are nobody’s', () => {
    const list = { ...exampleFields, documents: 'a\nb' }
    const field: InlineNode = { type: 'field', attrs: { name: 'documents', instead: '' } }
    expect(bodyText(settle(paragraph(words(' '), field, words('  ')), list, 'text'), tables)).toBe('a\nb')
  })
})

test('whatever a text asks and a document lacks: it is refused, or nothing of it is left open', () => {
  const marks = fc.array(
    fc.record({
      type: fc.constant('passage' as const),
      attrs: fc.record({
        field: fc.constantFrom(...mergeFieldNames, 'paying' as const, 'several' as const),
        is: fc.constantFrom('there' as const, 'due' as const, 'paid' as const),
        not: fc.boolean(),
      }),
    }),
    { maxLength: 2 },
  )
  const field = fc.record({
    type: fc.constant('field' as const),
    attrs: fc.record({ name: fc.constantFrom(...mergeFieldNames), instead: fc.constantFrom('', 'none') }),
    marks,
  })
  const text = fc.record({
    type: fc.constant('text' as const),
    text: fc.constantFrom('Hello', ' ', 'on'),
    marks,
  })
  const bodies = fc
    .array(fc.array(fc.oneof(field, text), { maxLength: 5 }), { minLength: 1, maxLength: 4 })
    .map((all): Body => ({ type: 'doc', content: all.map((content) => ({ type: 'paragraph', content })) }))
  const values = fc.constantFrom(...mergeFieldNames).chain((name) =>
    fc.subarray([...mergeFieldNames]).map((lacking): MergeFields => ({
      ...exampleFields,
      ...Object.fromEntries([...lacking, name].map((one) => [one, ''])),
    })),
  )
  fc.assert(
    fc.property(bodies, values, (body, facts) => {
      try {
        const filled = fillEmailText(
          { subject: bodyOf('s'), text: body },
          { ...exampleFacts, values: facts },
          frame,
        )
        const settled = settle(body, facts, 'text')
        expect(JSON.stringify(settled)).not.toMatch(/"field"|"passage"/)
        expect(filled.text.trim()).not.toBe('')
        expect(filled.html).not.toContain('<p style="margin:0 0 14px;line-height:1.5"></p>')
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        expect(['empty-field', 'empty-text']).toContain(error.code)
      }
    }),
  )
})
