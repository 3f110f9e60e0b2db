import { expect, test } from 'vitest'
import { heldWords, missingOf, type Needs } from './needs'

const needs: Needs = { reference: true, fields: ['Cost centre', 'Delivery window'] }
const order = { reference: ' ', fields: { 'Cost centre': '4711', 'Delivery window': '' } }
const contacts = [
  { name: 'Bill Ing', email: 'till@school.example', role: 'billing' },
  { name: 'Ann Buyer', email: 'ann@school.example', role: 'buying' },
]

test('what an order lacks of what its customer needs; blanks are nothing', () => {
  expect(missingOf(needs, order)).toEqual({ reference: true, fields: ['Delivery window'] })
  expect(missingOf(needs, { reference: 'PO 1', fields: {} })).toEqual({
    reference: false,
    fields: ['Cost centre', 'Delivery window'],
  })
})

test('it is said with whom to ask and where to enter it', () => {
  expect(heldWords({ needs, order, enterAt: 'order SO-7', customerName: 'The school', contacts })).toBe(
    'The school takes no invoice without “Your reference” and “Delivery window”. ' +
      'Ask Ann Buyer, ann@school.example, and enter it at order SO-7.',
  )
  expect(heldWords({ needs, order, enterAt: 'the draft', customerName: 'The school', contacts: [] })).toMatch(
    /Enter it at the draft\.$/,
  )
})

test('nothing is held that lacks nothing', () => {
  const whole = { reference: 'PO 1', fields: { 'Cost centre': '1', 'Delivery window': 'am' } }
  expect(heldWords({ needs, order: whole, enterAt: '', customerName: 'The school', contacts })).toBe(null)
  const none = { reference: false, fields: [] }
  expect(heldWords({ needs: none, order, enterAt: '', customerName: 'The school', contacts })).toBe(null)
})
