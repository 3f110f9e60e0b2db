import { expect, test } from 'vitest'
import { accountOn, openTable, type OpenItem } from './open-table'

const item = (number: string, more: Partial<OpenItem> = {}): OpenItem => ({
  kind: 'invoice',
  number,
  dueDate: '2026-11-05',
  open: '1234.50',
  ...more,
})
const some = (count: number) => Array.from({ length: count }, (_, index) => item(`INV-${index + 1}`))

test('lists what is open in the words and signs of the document’s language', () => {
  const { headings, rows } = openTable(
    [item('RE-7'), item('', { kind: 'payment', dueDate: null })],
    'de',
    'EUR',
  )
  expect(headings).toEqual(['Beleg', 'Fällig', 'Offen'])
  expect(rows[0]![0]).toBe('RE-7')
  expect(rows[0]![2]).toBe('1.234,50')
  expect(rows[1]![0]).not.toBe('')
  expect(rows[1]![1]).toBe('')
})

test('a long list says how many more stand on the statement, and one that just fits says nothing', () => {
  expect(openTable(some(15), 'en', 'EUR').rows).toHaveLength(15)
  const { rows } = openTable(some(28), 'en', 'EUR')
  expect(rows).toHaveLength(15)
  expect(rows.at(-1)).toEqual(['and 14 more on the statement', '', ''])
})

test('says of which day it is; where nothing is open nothing is said', () => {
  const found = accountOn({ day: '2026-11-30', open: some(2) }, 'fr', 'EUR')!
  expect(found.title).toMatch(/^Reste dû sur votre compte au 30/)
  expect(found.headings[2]).toBe('Reste dû EUR')
  expect(found.rows).toHaveLength(2)
  expect(accountOn({ day: '2026-11-30', open: [] }, 'en', 'EUR')).toBeUndefined()
})
