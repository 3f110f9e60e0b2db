import { describe, expect, test } from 'vitest'
import { plainEmailLook, type EmailFrame } from './email-look'
import { fromBraces } from './braces'
import { fillEmailText } from './email-text'
import { exampleFacts, exampleFields } from './fields'
import { bodyOf } from './nodes'

const look: EmailFrame = {
  brandName: 'Tansy Hollow',
  colours: { brand: '#8a5a00', accent: '#d9a514' },
  look: plainEmailLook,
  footLines: ['Tansy Hollow Supply Ltd'],
  language: 'en',
}
const fill = (subject: string, text: string, change: Partial<typeof exampleFields> = {}) =>
  fillEmailText(
    { subject: fromBraces(subject), text: fromBraces(text) },
    { ...exampleFacts, values: { ...exampleFields, ...change } },
    look,
  )

describe('a cover note', () => {
  test("is filled with the paper's own number", () => {
    expect(fill('Invoice {{ number }}', 'Dear {{ contact }}').subject).toBe('Invoice INV-2026-00042')
  })

  test('has passages only for those it concerns: no "Dear ,"', () => {
    const text = '{% if contact != "" %}Dear {{ contact }},{% else %}Dear customer,{% endif %}'
    expect(fill('s', text, { contact: '' }).text).toBe('Dear customer,')
    expect(fill('s', text).text).toBe('Dear Nuala Fennimore,')
  })

  test('with a field that does not exist stops, and names those that do', () => {
    expect(() => fill('{{ numbr }}', 'x')).toThrow(
      /no field called “numbr” \(in the subject\)\. Did you mean “number”\? Fields are number, document/,
    )
  })

  test('that this document does not have stops the email, unless it stands in a passage for it', () => {
    expect(() => fill('s', 'due on {{ due }}', { due: '' })).toThrow('needs “due”')
    expect(fill('s', 'x{% if due != "" %} due on {{ due }}{% endif %}', { due: '' }).text).toBe('x')
  })

  test('what people wrote is escaped in HTML and cannot add header lines', () => {
    const filled = fill('For {{ customer }}', 'Hello {{ customer }}', {
      customer: '<b>Bee & Co</b>\r\nBcc: evil@x.example',
    })
    expect(filled.html).toContain('&lt;b&gt;Bee &amp; Co&lt;/b&gt;')
    expect(filled.subject).not.toMatch(/[\r\n]/)
  })

  test('without a subject or text is refused', () => {
    expect(() => fill('  ', 'x')).toThrow('no subject')
    expect(() => fill('s', '{% if number == "" %}x{% endif %}')).toThrow('no text')
  })
})

describe("an email's look", () => {
  const drawn = (change: Partial<EmailFrame['look']>, colours = look.colours) =>
    fillEmailText({ subject: bodyOf('s'), text: bodyOf('Hello') }, exampleFacts, {
      ...look,
      colours,
      look: { ...plainEmailLook, ...change },
    })

  test("two brands' emails are told apart by heading, colour and letters", () => {
    const [trade, shop] = [drawn({}), drawn({ heading: 'band', colour: 'accent', letters: 'serif' })]
    expect(trade.html).toContain('border-top:5px solid #8a5a00')
    expect(shop.html).toContain('background:#d9a514')
    expect(shop.html).toMatch(/font-family:Georgia/)
  })

  test('the name on a band is white on dark and dark on light, so that it can be read', () => {
    expect(drawn({ heading: 'band' }, { brand: '#173f38', accent: '#d9a514' }).html).toContain(
      'background:#173f38;padding:20px 28px;font-size:20px;font-weight:bold;color:#ffffff',
    )
    expect(drawn({ heading: 'band' }, { brand: '#f2e6a0', accent: '#d9a514' }).html).toContain(
      'color:#1a1a1a',
    )
  })

  test('closing words stand under the text in both parts, escaped', () => {
    const filled = drawn({ closing: 'Open <Tuesday> to Saturday' })
    expect(filled.text).toBe('Hello\n\nOpen <Tuesday> to Saturday')
    expect(filled.html).toContain('Open &lt;Tuesday&gt; to Saturday')
  })

  test('without a heading the sender stands in the small print', () => {
    expect(drawn({ heading: 'none' }).html).toContain('Tansy Hollow<br>Tansy Hollow Supply Ltd')
  })
})
