import { expect, test } from 'vitest'
import { fromBraces } from './braces'
import { fillEmailText, type EmailText } from './email-text'
import { plainEmailLook } from './email-look'
import { exampleFacts, exampleFields } from './fields'
import { fieldsIn } from './nodes'
import { textToEdit } from './own-email'

const note = {
  subject: fromBraces('Invoice {{ number }} from {{ brand }}'),
  text: fromBraces(
    'Dear {{ contact }},\n\nyour invoice {{ number }} over {{ total }} is due on {{ due }}.' +
      '{% if reference != "" %}\n\nYour order {{ reference }}.{% endif %}',
  ),
}
const frame = {
  brandName: 'Tansy Hollow',
  colours: { brand: '#8a5a00', accent: '#d9a514' },
  look: plainEmailLook,
  footLines: [],
  language: 'en' as const,
}
const filled = (text: EmailText) => fillEmailText(text, exampleFacts, frame)

test('what a person goes on writing has its words in it, and fields for what is not settled yet', () => {
  const { subject, text } = textToEdit(note, exampleFields)
  expect(fieldsIn(subject)).toEqual(['number'])
  expect(fieldsIn(text)).toEqual(['number', 'total', 'due'])
  expect(JSON.stringify(text)).toContain('Dear Nuala Fennimore,')
})

test('a passage whose fact is missing is left out of it', () => {
  const { text } = textToEdit(note, { ...exampleFields, reference: '' })
  expect(JSON.stringify(text)).not.toContain('Your order')
})

test('filled later, it says what the house would have said', () => {
  expect(filled(textToEdit(note, exampleFields))).toEqual(filled(note))
})

test('a date that the document does not have stays a fault, and no field', () => {
  expect(() => textToEdit(note, { ...exampleFields, due: '' })).toThrow('needs “due”')
})
