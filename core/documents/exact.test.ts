import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal, sum } from '../money/decimal'
import { exampleInvoice, order, orderLine, ottermill, tansyHollow } from '../testing/examples'
import { issuePaper } from './issue'
import type { TaxTreatment } from './treatment'

const taxWords = {
  standard: { name: 'standard rate', reason: '', category: 'S' as const },
  reduced: { name: 'reduced rate', reason: '', category: 'S' as const },
  zero: { name: 'books', reason: 'Zero rated', category: 'Z' as const },
}
const mixed = {
  ...order,
  lines: [
    orderLine({ quantity: '3', unitPrice: '33.333', unit: 'kg', discountPercent: '2.5' }),
    orderLine({ item: 'BK-15', quantity: '1', unitPrice: '26.50', taxCode: 'zero' }),
  ],
  adjustments: [{ kind: 'discount' as const, label: 'Schools', percent: '5' }],
}
const exact = (change: Parameters<typeof exampleInvoice>[0] = {}) =>
  exampleInvoice({ order: mixed, taxWords, ...change }).exact

describe('the exact values of a document', () => {
  test('are decimals, days and codes, whatever language it is printed in', () => {
    expect(exact({ language: 'de' })).toEqual(exact({ language: 'en' }))
    expect(exact().lines[0]).toEqual({
      item: 'HB-10N',
      description: 'Brood box, cedar, 10 frame',
      detail: null,
      quantity: '3',
      unit: 'kg',
      unitPrice: '33.333',
      discountPercent: '2.5',
      taxCode: 'standard',
      category: 'S',
      rate: '23',
      amount: '97.50',
    })
    expect(exact().suppliedOn).toBe('2026-11-23')
  })

  test('say why no tax is charged by the letter of its category', () => {
    expect(exact().taxes.map((one) => [one.taxCode, one.category, one.rate])).toEqual([
      ['standard', 'S', '23'],
      ['zero', 'Z', '0'],
    ])
  })

  test.each([
    ['reverse charge', 'AE'],
    ['intra-Community supply', 'K'],
    ['export', 'G'],
    ['exempt', 'E'],
  ] as const)('of a supply that is %s, every line and rate is %s at nothing', (treatment, letter) => {
    const found = exact({ customer: { ...ottermill, treatment: treatment as TaxTreatment } })
    expect(new Set([...found.lines, ...found.taxes].map((one) => `${one.category} ${one.rate}`))).toEqual(
      new Set([`${letter} 0`]),
    )
    expect(found.sums.tax).toBe('0.00')
  })

  test('name the account that the currency is paid into', () => {
    const banks = [
      { name: 'Pound bank', iban: 'GB82WEST12345698765432', bic: '', currency: 'GBP' as const },
      ...tansyHollow.banks,
    ]
    expect(exact({ brand: { ...tansyHollow, banks } }).seller.account?.name).toBe('Demo Bank')
  })

  test('carry the invoice of a credit note and the deposits of a final invoice', () => {
    const deposit = {
      number: 'INV-2026-00007',
      date: '2026-10-02',
      groups: [{ rate: '23', base: '10.00', tax: '2.30' }],
      total: '12.30',
    }
    expect(exact({ order: { ...mixed, deposits: [deposit] } }).deposits).toEqual([
      { number: 'INV-2026-00007', date: '2026-10-02', total: '12.30' },
    ])
    expect(exact().credits).toBeNull()
  })

  test('add up to what is printed, for any lines, with tax or without', () => {
    const cents = fc.integer({ min: 1, max: 9_999_99 }).map((value) => (value / 100).toFixed(2))
    const line = fc
      .record({
        quantity: fc.integer({ min: 1, max: 999 }).map(String),
        unitPrice: cents,
        taxCode: fc.constantFrom('standard', 'reduced', 'zero'),
      })
      .map(orderLine)
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 12 }), fc.boolean(), (lines, withTax) => {
        const paper = exampleInvoice({
          order: { ...order, lines, pricesIncludeTax: withTax },
          taxWords,
        })
        const { sums, taxes, lines: rows } = paper.exact
        const total = (amounts: string[]) => sum(amounts).toString()
        expect(total(rows.map((row) => row.amount))).toBe(new Decimal(sums.lines).toString())
        expect(total(taxes.flatMap(({ base, tax }) => [base, tax]))).toBe(
          new Decimal(paper.amounts.total).toString(),
        )
        expect(sums.toPay).toBe(paper.amounts.toPay)
      }),
    )
  })

  test('of a receipt are the payment and what it settles', () => {
    const payment = {
      direction: 'in' as const,
      date: '2026-11-23',
      method: 'card' as const,
      amount: '120.00',
      currency: 'EUR' as const,
      reference: 'OM/118',
      onAccount: '120.00',
      settles: [],
    }
    const { exact: found } = issuePaper(
      {
        kind: 'payment receipt',
        brand: tansyHollow,
        order: { ...order, lines: [] },
        customer: ottermill,
        language: 'fr',
        rates: {},
        payment,
      },
      '2026-11-24',
      'PR-2026-00001',
    )
    expect([found.payment, found.sums.total, found.buyer.number]).toEqual([payment, '120.00', '10417'])
  })
})
