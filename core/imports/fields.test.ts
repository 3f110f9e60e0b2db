import { expect, test } from 'vitest'
import type { OwnFieldFacts } from '../fields/own-fields'
import { fieldsOf, ownValues } from './fields'
import { guessMapping } from './mapping'
import { readRecord } from './row'
import { inWords } from '../testing/in-words'

const field = (change: Partial<OwnFieldFacts>): OwnFieldFacts => ({
  of: 'order',
  name: 'Gate code',
  kind: 'text',
  choices: [],
  labels: {},
  printed: false,
  ...change,
})
const own = [
  field({}),
  field({ of: 'line', name: 'Engraving' }),
  field({ of: 'item', name: 'Wood', kind: 'choice', choices: ['Cedar', 'Pine'] }),
  field({ of: 'customer', name: 'Hives', kind: 'number' }),
  field({ of: 'customer', name: 'Member', kind: 'yes/no' }),
]
const usual = { decimalSign: ',', dayOrder: 'day first' } as const

test('a column of the name of an own field is that field, of an order as well as of its lines', () => {
  expect(guessMapping('orders', ['Order no', 'Gate code', 'Engraving'], own)).toEqual({
    number: { column: 0 },
    'fields.Gate code': { column: 1 },
    'lineFields.Engraving': { column: 2 },
  })
  expect(fieldsOf('items', own).map((one) => one.key)).toContain('fields.Wood')
  expect(fieldsOf('payments', own).some((one) => one.key.startsWith('fields.'))).toBe(false)
})

test('its value is read as its kind is written, or refused in words', () => {
  const raw = {
    number: '1',
    name: 'A',
    country: 'Ireland',
    'fields.Hives': '1.200,5',
    'fields.Member': 'Yes',
  }
  const { record, problems } = readRecord('customers', raw, usual, own)
  expect(problems).toEqual([])
  expect(ownValues(record, 'fields.')).toEqual({ Hives: '1200.5', Member: 'yes' })
  expect(
    readRecord(
      'items',
      { code: 'A', name: 'A', price: '1', taxCode: 'standard', 'fields.Wood': 'Oak' },
      usual,
      own,
    ).problems.map(({ words }) => words),
  ).toEqual(['Wood: “Oak” is none of Cedar, Pine.'])
  expect(
    inWords(readRecord('customers', { ...raw, 'fields.Queens': '3' }, usual, own).problems).join(),
  ).toContain('There is no field “fields.Queens”')
})

test('what fills none says nothing of them', () => {
  expect(ownValues({ number: '1' }, 'fields.')).toBeUndefined()
})
