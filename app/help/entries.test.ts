import { expect, test } from 'vitest'
import { helpWords } from '../words/help'
import { findEntries } from './entries'
import { helpTasks, tasksOf } from './tasks'

const everything = () => true
const found = (text: string, may: (role: string) => boolean = everything) =>
  findEntries(text, may).map((entry) => entry.words)

test.each([
  ['smtp', 'Mail accounts'],
  ['vat', 'Tax categories and rates'],
  ['letterhead', 'Brand: design'],
  ['overdue', 'Overdue accounts'],
  ['not invoiced', 'Orders without an invoice'],
  ['terms', 'Standing texts'],
  ['test mode', 'Rehearsal'],
  ['resend', 'Send again what bounced'],
  ['credit note', 'Credit an invoice, in whole or in part'],
  ['client', 'Customers'],
])('“%s”, as a clerk calls it, finds “%s”', (typed, words) => {
  expect(found(typed)).toContain(words)
})

test('what bears the typed name comes before what is only called so', () => {
  expect(found('pay')[0]).toBe('Payments')
  expect(found('add ord')[0]).toBe('Add order')
})

test('nobody is led to what they may not do', () => {
  const reader = () => false
  expect(found('smtp', reader)).not.toContain('Mail accounts')
  expect(found('add order', reader)).not.toContain('Add order')
  expect(found('register', reader)).toContain('Register')
})

test('every screen has a page about what is done there', () => {
  const screens = new Set(
    helpWords()
      .entries.filter((entry) => entry.what === 'Place')
      .map((entry) => entry.to.split('?')[0]!),
  )
  expect([...screens].filter((path) => tasksOf(path).length === 0)).toEqual([])
  expect(new Set(helpTasks().map((task) => task.id)).size).toBe(helpTasks().length)
})
