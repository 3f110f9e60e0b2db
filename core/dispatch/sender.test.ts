import { expect, test } from 'vitest'
import { toldSender } from './sender'

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
  expect(toldSender(sender, own).words).toBe(shown)
})
