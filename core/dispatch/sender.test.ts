import { expect, test } from 'vitest'
import { fromWords } from './sender'

const own = 'Tansy Hollow Accounts'
test.each([
  [{ name: '', namesPerson: false, address: '' }, 'Tansy Hollow Accounts'],
  [{ name: 'Books', namesPerson: false, address: '' }, 'Books'],
  [
    { name: 'Books', namesPerson: false, address: 'books@tansyhollow.example' },
    'Books <books@tansyhollow.example>',
  ],
  [{ name: '', namesPerson: true, address: '' }, 'whoever sends it, Tansy Hollow Accounts'],
])('%j is shown as %s', (sender, shown) => {
  expect(fromWords(sender, own)).toBe(shown)
})
