import { describe, expect, test } from 'vitest'
import { exampleInvoice } from '../testing/examples'
import { editableContent, formOf, mayBeEdited } from './editable'
import { documentKinds } from './kinds'

const look = { brand: '#173f35', accent: '#f2b632' }

describe('a document to be edited', () => {
  test('is none that books or tells of money, and only where the house allows it', () => {
    expect(documentKinds.filter(mayBeEdited)).toEqual(['order confirmation'])
    expect(formOf('order confirmation', 'odt', true)).toBe('odt')
    expect(formOf('order confirmation', 'odt', false)).toBe('pdf')
    expect(formOf('order confirmation', undefined, true)).toBe('pdf')
    expect(formOf('invoice', 'odt', true)).toBe('pdf')
  })

  test('says all that the PDF says, in its order, and takes nothing for markup', () => {
    const paper = exampleInvoice()
    const lines = [{ ...paper.lines[0]!, description: 'Tea & <b>honey</b>', detail: '2 kg\nsealed' }]
    const xml = editableContent({ ...paper, lines, customerNote: 'By the gate' }, look)
    expect(xml).toContain('Tea &amp; &lt;b&gt;honey&lt;/b&gt;<text:line-break/>2 kg<text:line-break/>sealed')
    const at = (words: string) => xml.indexOf(words)
    const order = [
      paper.brand.name,
      paper.recipient.lines[0]!,
      paper.heading,
      lines[0]!.amount,
      paper.toPay.label,
      'By the gate',
    ]
    const places = order.map((words) => at(words.replaceAll("'", '&#39;')))
    expect(places).not.toContain(-1)
    expect(places).toEqual([...places].sort((a, b) => a - b))
    expect(xml.match(/<table:table-row>/g)).toHaveLength(2 + paper.adjustments.length + paper.sums.length + 1)
  })

  test('has the colours of its brand, and letters that can be read on them', () => {
    const xml = (brand: string, accent: string) => editableContent(exampleInvoice(), { brand, accent })
    expect(xml('#173f35', '#f2b632')).toContain('fo:background-color="#173f35"')
    const lettersOf = (name: string, content: string) =>
      new RegExp(`style:name="${name}".*?fo:color="(#[0-9a-f]{6})"`).exec(content)![1]
    const letters = (content: string) => ['Heading', 'Head', 'Sum'].map((name) => lettersOf(name, content))
    expect(letters(xml('#173f35', '#f2b632'))).toEqual(['#173f35', '#ffffff', '#1a1a1a'])
    expect(letters(xml('#f7e27a', '#173f35'))).toEqual(['#1a1a1a', '#1a1a1a', '#ffffff'])
  })
})
