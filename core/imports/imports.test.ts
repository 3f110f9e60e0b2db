import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readRecord, recordOf } from './row'
import { importFields, importSubjects } from './subjects'
import { guessMapping } from './mapping'
import {
  decodeText,
  findDayOrder,
  findDecimalSign,
  findDelimiter,
  findHeading,
  readDay,
  readNumber,
} from './text'
import { inWords } from '../testing/in-words'

const bytes = (...values: number[]) => new Uint8Array(values)
const usual = { decimalSign: '.', dayOrder: 'day first' } as const

describe('a file of unknown making', () => {
  test('a country is taken by its letters or its name, and kept by its letters; what is none is said', () => {
    const read = (country: string) => readRecord('customers', { number: '1', name: 'A', country }, usual)
    for (const country of ['DE', 'Deutschland', 'germany']) expect(read(country).record.country).toBe('DE')
    expect(inWords(read('Grmany').problems)).toEqual(['Country: “Grmany” is no country like Germany or DE.'])
  })

  test('an unknown field is refused with its name, not dropped', () => {
    const raw = {
      number: 'SO-1',
      date: '2026-11-20',
      customer: '10417',
      quantity: '1',
      item: 'HB-10N',
      prepaid: '20',
    }
    expect(inWords(readRecord('orders', raw, usual).problems)).toEqual([
      'There is no field “prepaid” for orders; nothing of it would be kept.',
    ])
  })

  test('its encoding is found: UTF-8, with mark, UTF-16, and what old programs write', () => {
    expect(decodeText(new TextEncoder().encode('Müller'))).toEqual({ text: 'Müller', encoding: 'UTF-8' })
    expect(decodeText(bytes(0xef, 0xbb, 0xbf, 0x41)).text).toBe('A')
    expect(decodeText(bytes(0xff, 0xfe, 0x4d, 0, 0xfc, 0)).text).toBe('Mü')
    expect(decodeText(bytes(0x4d, 0xfc, 0x80))).toEqual({ text: 'Mü€', encoding: 'Windows-1252' })
  })
  test('one that is no text is refused in words', () =>
    expect(() => decodeText(bytes(0x50, 0x4b, 3, 4, 0, 0))).toThrow('This file is not text'))

  test.each([
    ['a,b,c\n1,2,3', ','],
    ['a;b;c\n1,5;2,5;3', ';'],
    ['a\tb\n1\t2', '\t'],
    ['a|b\n1|2', '|'],
    ['"a,x";b\n"1,2";3', ';'],
    ['only\none', ','],
    ['name;a note, with, commas\nA;x\nB;y', ';'],
    ['Konto 4711\nSaldo 3,50 EUR\nTag;Betrag;Text\n1;2,50;x\n2;3,50;y, z', ';'],
  ])('%j is split at %j', (text, sign) => expect(findDelimiter(text)).toBe(sign))
  test.each<[string, string[][], number]>([
    [
      'a plain file',
      [
        ['number', 'name'],
        ['1', 'A'],
      ],
      0,
    ],
    [
      'all text, names shorter than rows',
      [
        ['name', 'town', 'note', 'group', ''],
        ['A', 'B', 'C', 'D', 'E'],
      ],
      0,
    ],
    [
      'what a bank writes above',
      [
        ['Umsätze', 'Konto DE12'],
        ['Zeitraum', '01.11.2026'],
        ['Tag', 'Name', 'Betrag'],
        ['24.11.2026', 'Müller', '3,50'],
      ],
      2,
    ],
    [
      'padded by a spreadsheet',
      [
        ['Statement', '', '', '', ''],
        ['', '', '', '', ''],
        ['Day', 'Name', 'Text', 'Amount', ''],
        ['2026-11-24', 'A', 'B', '3.50', 'EUR'],
      ],
      2,
    ],
    [
      'numbers alone',
      [
        ['1', '2'],
        ['3', '4'],
      ],
      0,
    ],
    ['one column', [['name'], ['A']], 0],
    ['nothing', [], 0],
  ])('the names of the columns are found: %s', (_, rows, at) => expect(findHeading(rows)).toBe(at))
  test.each([
    [['1.234,50', '3'], ','],
    [['1,234.50'], '.'],
    [['12,5', '13,75'], ','],
    [['1,0812'], ','],
    [['1,234'], '.'],
    [['100', '200'], '.'],
    [['1.5', '2,50', '3,10'], ','],
  ] as const)('%j has the decimal sign %s', (cells, sign) => expect(findDecimalSign(cells)).toBe(sign))
  test.each([
    [['03.04.2026', '25.12.2026'], 'day first'],
    [['12/25/2026'], 'month first'],
    [['03/04/2026'], 'day first'],
  ] as const)('%j: %s', (cells, order) => expect(findDayOrder(cells)).toBe(order))
})

describe('cells', () => {
  test.each([
    ['1.234,50 €', ',', '1234.50'],
    ['+12,00', ',', '12.00'],
    ['1.234,50-', ',', '-1234.50'],
    ['−3.10', '.', '-3.10'],
    ['-5-', '.', undefined],
    ['EUR 12', '.', '12'],
    ["-1'234.5", '.', '-1234.5'],
    ['1,234.50', ',', undefined],
    ['1.23', ',', undefined],
    ['ten', '.', undefined],
    ['1e5', '.', undefined],
    ['', '.', undefined],
    ['0x10', '.', undefined],
  ] as const)('the number %j with %s is %s', (cell, sign, value) => {
    expect(readNumber(cell, sign)).toBe(value)
  })
  test.each([
    ['24.11.2026', '2026-11-24'],
    ['2026-11-24T08:00', '2026-11-24'],
    ['20261124', '2026-11-24'],
    ['3/4/26', '2026-04-03'],
    ['31.02.2026', undefined],
    ['2026-13-01', undefined],
    ['tomorrow', undefined],
  ])('the day %j is %s', (cell, day) => expect(readDay(cell, 'day first')).toBe(day))
  test('a number once read is read the same again, whatever the sign', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999_999, max: 99_999_999 }), (cents) => {
        const plain = (cents / 100).toFixed(2)
        expect(readNumber(plain, '.')).toBe(plain)
        expect(readNumber(plain.replace('.', ','), ',')).toBe(plain)
      }),
    )
  })
})

describe('columns', () => {
  test('are found by their names in three languages, each once', () => {
    expect(guessMapping('customers', ['Kundennummer', 'Firma', 'Land', 'E-Mail', 'Strasse'])).toEqual({
      number: { column: 0 },
      name: { column: 1 },
      country: { column: 2 },
      email: { column: 3 },
      street: { column: 4 },
    })
    expect(guessMapping('payments', ['Invoice number', 'Paid on', 'Amount'])).toEqual({
      document: { column: 0 },
      date: { column: 1 },
      amount: { column: 2 },
    })
    for (const subject of importSubjects) {
      const mapping = guessMapping(
        subject,
        importFields[subject].map((field) => field.key),
      )
      expect(Object.keys(mapping).sort(), subject).toEqual(
        importFields[subject].map((field) => field.key).sort(),
      )
    }
  })
  test('a fixed value stands in every row, an empty cell in none', () => {
    expect(
      recordOf(['10417', ' '], {
        mapping: {
          customer: { column: 0 },
          method: { fixed: 'cash' },
          reference: { column: 1 },
          id: { column: 9 },
        },
      }),
    ).toEqual({ customer: '10417', method: 'cash' })
  })
})

describe('a row', () => {
  test('says everything that is wrong with it, in words', () => {
    expect(
      readRecord(
        'payments',
        { date: 'soon', amount: '-5', currency: 'Euro', method: 'shells' },
        usual,
      ).problems.map(({ words }) => words),
    ).toEqual([
      'Day: “soon” is no day like 2026-11-24 or 24.11.2026.',
      'Amount: “-5” is not over zero.',
      'Currency: “Euro” is no currency like EUR.',
      'Method: “shells” is none of bank transfer, card, cash, cheque, direct debit, other.',
      'Neither a customer number nor a document number is given.',
    ])
    expect(
      readRecord(
        'customers',
        { number: '1', name: 'x'.repeat(121), country: 'a\u0000b', email: 'no' },
        usual,
      ).problems.map(({ words }) => words),
    ).toHaveLength(3)
  })
  test.each<[Record<string, string>, string]>([
    [{ amount: '-7,90' }, '-7.9'],
    [{ amount: '7,90', direction: 'S' }, '-7.9'],
    [{ amount: '7,90', direction: 'CRDT' }, '7.9'],
    [{ amount: '-7,90', direction: '-' }, '-7.9'],
    [{ moneyIn: '5,00' }, '5'],
    [{ moneyOut: '5,00', moneyIn: '0,00' }, '-5'],
    [{ moneyOut: '-5,00' }, '-5'],
  ])('a movement written as %j is %s', (raw, amount) =>
    expect(
      readRecord('bank movements', { bookedOn: '24.11.2026', ...raw }, { ...usual, decimalSign: ',' }),
    ).toEqual({ problems: [], record: { bookedOn: '2026-11-24', amount } }),
  )
  test.each<[Record<string, string>, string]>([
    [{}, 'No amount is given.'],
    [{ amount: '0' }, 'No money moved.'],
    [{ moneyIn: '1', moneyOut: '2' }, 'Money came in and went out in one row.'],
    [{ amount: '1', direction: 'sideways' }, 'In or out: “sideways” is none of'],
  ])('a movement written as %j is refused: %s', (raw, words) => {
    expect(
      inWords(readRecord('bank movements', { bookedOn: '2026-11-24', ...raw }, usual).problems).join(),
    ).toContain(words)
  })
  test('a formula is only text', () =>
    expect(
      readRecord('customers', { number: '1', name: '=HYPERLINK("x")', country: 'Ireland' }, usual),
    ).toMatchObject({ problems: [], record: { name: '=HYPERLINK("x")' } }))
  test('whatever stands in it, it is read or refused', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...importSubjects),
        fc.dictionary(
          fc.constantFrom('number', 'name', 'date', 'amount', 'price', 'email', 'currency'),
          fc.string({ unit: 'binary', maxLength: 30 }),
        ),
        (subject, raw) => {
          const { problems } = readRecord(subject, raw, usual)
          for (const problem of problems) expect(problem.words).toMatch(/\.$/)
        },
      ),
    )
  })
})
