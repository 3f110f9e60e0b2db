import { describe, expect, test } from 'vitest'
import { checkTaxCode, ratesOn, togetherOn, type TaxCode } from './tax-codes'
import { totals } from './totals'

const code = (name: string, change: Partial<TaxCode> = {}): TaxCode => ({
  code: name,
  category: 'S',
  names: { en: name },
  reasons: {},
  rates: [{ from: '2020-01-01', percent: '23' }],
  ...change,
})
const zero = (name: string, category: 'Z' | 'E', reason = '') =>
  code(name, { category, reasons: { en: reason }, rates: [{ from: '2020-01-01', percent: '0' }] })

test('a rate holds from its day on; a supply of the day before has the rate before', () => {
  const codes = [
    code('standard', {
      rates: [
        { from: '2020-01-01', percent: '21' },
        { from: '2026-12-01', percent: '23' },
      ],
    }),
  ]
  expect(ratesOn(codes, '2026-11-30')).toEqual({ standard: '21' })
  expect(ratesOn(codes, '2026-12-01')).toEqual({ standard: '23' })
  expect(ratesOn(codes, '2019-05-05')).toEqual({ standard: '21' })
})

test('codes of one category and percentage are told together; those at 0 % stay apart, each with its reason', () => {
  const codes = [code('goods'), code('services'), zero('books', 'Z'), zero('teaching', 'E', 'Article 132')]
  expect(togetherOn(codes, '2026-11-27')).toEqual({
    goods: 'goods',
    services: 'goods',
    books: 'books',
    teaching: 'teaching',
  })
})

describe('a discount or charge', () => {
  const line = (unitPrice: string, taxCode: string) => ({
    quantity: '1',
    unitPrice,
    discountPercent: '0',
    taxCode,
  })
  const input = {
    currency: 'EUR',
    pricesIncludeTax: false,
    rates: { standard: '23', reduced: '13.5', zero: '0' },
    lines: [line('100.00', 'standard'), line('200.00', 'reduced'), line('50.00', 'zero')],
    prepaid: '0',
  }
  const groups = (adjustments: Parameters<typeof totals>[0]['adjustments']) =>
    totals({ ...input, adjustments }).groups.map(({ rate, base, tax }) => [rate, base, tax])

  test('with a tax code of its own is taxed at that rate alone', () => {
    expect(groups([{ kind: 'charge', label: 'Carriage', amount: '10.00', taxCode: 'standard' }])).toEqual([
      ['23', '110.00', '25.30'],
      ['13.5', '200.00', '27.00'],
      ['0', '50.00', '0.00'],
    ])
  })

  test('may have a rate that no line has', () => {
    const {
      groups: rows,
      net,
      total,
    } = totals({
      ...input,
      lines: [line('50.00', 'zero')],
      adjustments: [{ kind: 'charge', label: 'Carriage', amount: '10.00', taxCode: 'standard' }],
    })
    expect(rows).toMatchObject([
      { rate: '23', base: '10.00', tax: '2.30' },
      { rate: '0', base: '50.00', tax: '0.00' },
    ])
    expect([net, total]).toEqual(['60.00', '62.30'])
  })

  test('without one is spread over the rates of the lines', () => {
    expect(groups([{ kind: 'charge', label: 'Carriage', amount: '35.00' }])).toEqual([
      ['23', '110.00', '25.30'],
      ['13.5', '220.00', '29.70'],
      ['0', '55.00', '0.00'],
    ])
  })

  test('with a code that the company does not have is refused', () => {
    expect(() => groups([{ kind: 'charge', label: 'Carriage', amount: '1', taxCode: 'lost' }])).toThrow(
      '“Carriage” has the tax code "lost"',
    )
  })
})

describe('a tax code is refused', () => {
  test.each([
    ['without a name', code('x', { names: {} }), 'a name'],
    ['without a rate', code('x', { rates: [] }), 'a rate'],
    [
      'with two rates from one day',
      code('x', {
        rates: [
          { from: '2020-01-01', percent: '1' },
          { from: '2020-01-01', percent: '2' },
        ],
      }),
      'same day',
    ],
    [
      'at 0 % without saying why',
      code('x', { rates: [{ from: '2020-01-01', percent: '0' }] }),
      'needs a reason',
    ],
    ['exempt without the reason', zero('x', 'E'), 'why no tax'],
    [
      'with a rate that is none',
      code('x', { rates: [{ from: '2020-01-01', percent: '230' }] }),
      'no percentage',
    ],
  ])('%s', (_, wrong, words) => {
    expect(() => checkTaxCode(wrong, 'en')).toThrow(words)
  })
})
