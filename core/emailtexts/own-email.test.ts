import { expect, test } from 'vitest'
import { exampleFields, fillWords } from './email-text'
import { textToEdit } from './own-email'

const note = {
  subject: 'Invoice {{ number }} from {{ brand }}',
  text:
    'Dear {{ contact }},\n\nyour invoice {{ number }} over {{ total }} is due on {{ due }}.' +
    '{% if reference != "" %}\n\nYour order {{ reference }}.{% endif %}',
}

test('what a person goes on writing has its words in it, and fields for what is not settled yet', () => {
  expect(textToEdit(note, exampleFields)).toEqual({
    subject: 'Invoice {{ number }} from Tansy Hollow',
    text:
      'Dear Nuala Fennimore,\n\nyour invoice {{ number }} over {{ total }} is due on {{ due }}.\n\n' +
      'Your order OM/118.',
  })
})

test('a passage whose fact is missing is left out of it', () => {
  expect(textToEdit(note, { ...exampleFields, reference: '' }).text).not.toContain('Your order')
})

test('filled later, it says what the house would have said', () => {
  expect(fillWords(textToEdit(note, exampleFields), exampleFields)).toEqual(fillWords(note, exampleFields))
})

test('a date that the document does not have stays a fault, and no field', () => {
  expect(() => textToEdit(note, { ...exampleFields, due: '' })).toThrow('needs “due”')
})
