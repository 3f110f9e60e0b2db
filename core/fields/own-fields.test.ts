import { describe, expect, test } from 'vitest'
import { checkedValues, printedFields, type FieldKind, type OwnFieldFacts } from './own-fields'

const field = (name: string, kind: FieldKind, change: Partial<OwnFieldFacts> = {}): OwnFieldFacts => ({
  of: 'order',
  name,
  kind,
  choices: [],
  labels: {},
  printed: true,
  ...change,
})
const fields = [
  field('Delivery window', 'text', { labels: { de: 'Lieferzeit' } }),
  field('Pallets', 'number'),
  field('Promised', 'date'),
  field('Colour', 'choice', { choices: ['oak', 'ash'] }),
  field('Season order', 'yes/no'),
  field('Margin', 'text', { printed: false }),
]
const check = (values: Record<string, string>) => checkedValues(fields, values, 'orders')

describe('values of own fields', () => {
  test('are kept trimmed, and empty ones not at all', () => {
    expect(check({ Pallets: ' 2.5 ', Colour: '', Promised: '2026-12-01' })).toEqual({
      Pallets: '2.5',
      Promised: '2026-12-01',
    })
  })

  test.each([
    ['Pallets', 'two', '“two” is not a number'],
    ['Promised', '2026-02-30', 'is not a day'],
    ['Colour', 'red', 'none of oak, ash'],
    ['Season order', 'maybe', 'yes or no'],
    ['Moon', 'full', 'There is no own field “Moon” of orders'],
  ])('%s “%s” is refused at its field', (name, value, words) => {
    expect(() => check({ [name]: value })).toThrow(words)
    expect(() => check({ [name]: value })).toThrow(
      expect.objectContaining({ about: { field: `fields.${name}` } }),
    )
  })
})

describe('on a document', () => {
  const values = {
    'Delivery window': 'Monday',
    Pallets: '1234.5',
    Promised: '2026-12-01',
    'Season order': 'yes',
    Margin: '40 %',
  }
  test('what is filled and printed stands in its language', () => {
    expect(printedFields(fields, values, 'en')).toBe(
      'Delivery window: Monday · Pallets: 1,234.5 · Promised: 1 December 2026 · Season order: yes',
    )
    expect(printedFields(fields, values, 'de')).toBe(
      'Lieferzeit: Monday · Pallets: 1.234,5 · Promised: 1. Dezember 2026 · Season order: ja',
    )
  })
  test('nothing filled hides the labels too', () => {
    expect(printedFields(fields, { Margin: '40 %' }, 'en')).toBe('')
  })
})
