import { describe, expect, test } from 'vitest'
import { exampleInvoice } from '../testing/examples'
import { editableContent, formOf, mayBeEdited } from './editable'
import { documentKinds } from './kinds'

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
    const xml = editableContent({ ...paper, lines, customerNote: 'By the gate' })
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
})
