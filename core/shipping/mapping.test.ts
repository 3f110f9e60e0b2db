import { describe, expect, test } from 'vitest'
import { at, checkMapping, failureIn, fillBody, fillPath, readAnswer, type CarrierMapping } from './mapping'

const mapping: CarrierMapping = {
  headers: { authorization: 'Token {secret}' },
  book: {
    method: 'POST',
    path: '/v1/consignments',
    body: {
      ref: '{key}',
      to: { name: '{name}', street: '{line1}, {line2}' },
      mass: '{weight}',
      boxes: ['{parcel}'],
    },
  },
  answer: {
    tracking: '/data/no',
    trackingUrl: '/data/url',
    barcode: '',
    price: '/data/cost/amount',
    currency: 'EUR',
    label: '',
  },
  find: { method: 'GET', path: '/v1/consignments?ref={key}', body: null },
  cancel: null,
  track: null,
  failures: { at: '/fault/code', mean: { 'E-12': 'address' } },
  ways: {},
}

describe('what a mapped carrier is sent', () => {
  test('is the mapping with its fields, a number where a field stands alone', () => {
    const values = {
      key: 'k"1',
      name: 'Ní Bhriain "& Co"',
      line1: 'Weir Road 2',
      line2: '',
      weight: 12.5,
      parcel: 1,
    }
    expect(fillBody(mapping.book.body, values)).toEqual({
      ref: 'k"1',
      to: { name: 'Ní Bhriain "& Co"', street: 'Weir Road 2, ' },
      mass: 12.5,
      boxes: [1],
    })
  })

  test('has no value that becomes another path, and no field that fills another', () => {
    expect(fillPath('/x/{key}?a={name}', { key: '../secret?b=1', name: '{key}' })).toBe(
      '/x/..%2Fsecret%3Fb%3D1?a=%7Bkey%7D',
    )
  })
})

describe('what is read from its answer', () => {
  test('stands where the pointers lead, escapes as RFC 6901 has them', () => {
    expect(at({ 'a/b': { 'm~n': [7, 8] } }, '/a~1b/m~0n/1')).toBe(8)
    expect(at({ a: 1 }, '/constructor')).toBeUndefined()
    const answer = { data: { no: ' AB1 ', url: 'javascript:alert(1)', cost: { amount: 6.4 } } }
    expect(readAnswer(answer, mapping.answer)).toEqual({
      tracking: 'AB1',
      trackingUrl: '',
      barcode: 'AB1',
      price: '6.4',
      currency: 'EUR',
      label: '',
    })
  })

  test.each([
    ['no number', { data: { no: '', cost: { amount: 6.4 } } }],
    ['a price that is none', { data: { no: 'AB1', cost: { amount: '6,40' } } }],
    ['nothing at all', undefined],
  ])('is nothing where there is %s', (_, answer) => {
    expect(readAnswer(answer, mapping.answer)).toBeNull()
  })

  test('is a reason of ours where we know its word', () => {
    expect(failureIn({ fault: { code: 'E-12' } }, mapping.failures)).toBe('address')
    expect(failureIn({ fault: { code: 'E-99' } }, mapping.failures)).toBe('not understood')
  })
})

describe('a mapping', () => {
  test('is taken as it is written', () => expect(() => checkMapping(mapping)).not.toThrow())

  test.each([
    ['a field that does not exist', { book: { ...mapping.book, path: '/x/{nmae}' } }, /nmae/],
    ['no place for our key', { book: { ...mapping.book, body: { to: '{name}' } } }, /our key/],
    ['a path that is none', { book: { ...mapping.book, path: 'http://elsewhere.example/' } }, /no path/],
    ['a pointer that is none', { answer: { ...mapping.answer, price: 'cost' } }, /no place/],
    ['no tracking number', { answer: { ...mapping.answer, tracking: '' } }, /tracking number/],
  ])('is refused with %s', (_, change, said) => {
    expect(() => checkMapping({ ...mapping, ...change } as CarrierMapping)).toThrow(said)
  })
})
