import { describe, expect, test } from 'vitest'
import { exampleFields, fillCoverNote } from './cover-note'

const look = { brandName: 'Tansy Hollow', colour: '#8a5a00', footLines: ['Tansy Hollow Supply Ltd'], language: 'en' }
const fill = (subject: string, text: string, change: Partial<typeof exampleFields> = {}) => fillCoverNote({ subject, text }, { ...exampleFields, ...change }, look)

describe('a cover note', () => {
  test('is filled with the paper\'s own number', () => {
    expect(fill('Invoice {{ number }}', 'Dear {{ contact }}').subject).toBe('Invoice INV-2026-00042')
  })

  test('has passages only for those it concerns: no "Dear ,"', () => {
    const text = '{% if contact != "" %}Dear {{ contact }},{% else %}Dear customer,{% endif %}'
    expect(fill('s', text, { contact: '' }).text).toBe('Dear customer,')
    expect(fill('s', text).text).toBe('Dear Nuala Fennimore,')
  })

  test('with a field that does not exist stops, and names those that do', () => {
    expect(() => fill('{{ numbr }}', 'x')).toThrow(/subject cannot be filled: .*numbr.*Fields are number/s)
  })

  test('what people wrote is escaped in HTML and cannot add header lines', () => {
    const filled = fill('For {{ customer }}', 'Hello {{ customer }}', { customer: '<b>Bee & Co</b>\r\nBcc: evil@x.example' })
    expect(filled.html).toContain('&lt;b&gt;Bee &amp; Co&lt;/b&gt;')
    expect(filled.subject).not.toMatch(/[\r\n]/)
  })

  test('without a subject or text is refused', () => {
    expect(() => fill('  ', 'x')).toThrow('no subject')
    expect(() => fill('s', '{% if number == "" %}x{% endif %}')).toThrow('no text')
  })
})
