import { expect, test } from 'vitest'
import { heldWhy, missingOf, type Needs } from './needs'
import { told } from '../said/told'

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
  expect(
    heldWhy({
      needs,
      order,
      enterAt: told('of/order-within', { number: 'SO-7' }),
      customerName: 'The school',
      contacts,
    })?.words,
  ).toBe(
    'The school takes no invoice without “Your reference” and “Delivery window”. ' +
      'Ask Ann Buyer, ann@school.example, and enter it at order SO-7.',
  )
  expect(
    heldWhy({ needs, order, enterAt: told('of/draft-within'), customerName: 'The school', contacts: [] })
      ?.words,
  ).toMatch(/Enter it at the draft\.$/)
})

test('nothing is held that lacks nothing', () => {
  const whole = { reference: 'PO 1', fields: { 'Cost centre': '1', 'Delivery window': 'am' } }
  expect(
    heldWhy({ needs, order: whole, enterAt: told('of/draft'), customerName: 'The school', contacts }),
  ).toBe(null)
  const none = { reference: false, fields: [] }
  expect(
    heldWhy({ needs: none, order, enterAt: told('of/draft'), customerName: 'The school', contacts }),
  ).toBe(null)
})
