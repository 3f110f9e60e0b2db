import { describe, expect, test } from 'vitest'
import { exampleInvoice, order, orderLine, ottermill, tansyHollow } from '../testing/examples'
import { addDays, dayInZone, formatDay, makeDay, parseDay } from './days'
import { asPreview, comparePapers } from './issue'
import { checkIban, creditorReference, isCreditorReference, isIban, paymentCode } from './payment-code'
import { dueDate, earlyPayment, toldTerms } from './terms'

describe('days and due dates', () => {
  test('months end where the calendar says', () => {
    expect(addDays('2024-02-28', 1)).toBe('2024-02-29')
    expect(makeDay(2026, 13, 31)).toBe('2027-01-31')
    expect(makeDay(2026, 2, 31)).toBe('2026-02-28')
    expect(() => parseDay('2026-02-29')).toThrow('not in the calendar')
  })

  test("the day is the house's, not Greenwich's", () => {
    expect(dayInZone(new Date('2026-06-30T23:30:00Z'), 'Europe/Dublin')).toBe('2026-07-01')
    expect(dayInZone(new Date('2026-12-31T23:30:00Z'), 'Europe/Dublin')).toBe('2026-12-31')
  })

  test('terms: days, end of month, day of a month', () => {
    expect(dueDate('2026-11-24', { kind: 'days', days: 30 })).toBe('2026-12-24')
    expect(dueDate('2026-01-31', { kind: 'end of month', days: 15 })).toBe('2026-02-15')
    expect(dueDate('2026-11-24', { kind: 'day of month', day: 31, months: 3 })).toBe('2027-02-28')
  })

  test('early payment takes its percentage off what is to pay', () => {
    expect(
      earlyPayment('2026-11-24', '1284.46', 'EUR', {
        kind: 'days',
        days: 30,
        discount: { percent: '2', days: 10 },
      }),
    ).toEqual({ until: '2026-12-04', percent: '2', amount: '1258.77' })
  })

  test("dates are written out in the paper's language", () => {
    expect(formatDay('2026-03-01', 'de')).toBe('1. März 2026')
    expect(formatDay('2026-03-01', 'en')).toBe('1 March 2026')
  })
})

describe('what the house collects by direct debit', () => {
  const collected = (mandate: string) =>
    exampleInvoice({
      customer: { ...ottermill, terms: { kind: 'days', days: 14, collected: { mandate } } },
      number: 'INV-1',
      date: '2026-11-24',
    }).payment!

  test('asks for nothing: it says when it is collected and by which mandate, and has no code to pay by', () => {
    const { title, lines, code } = collected('M-2041')
    expect(title).toMatch(/^We collect [\d,.]+\sEUR from your account by direct debit on 8 December 2026$/)
    expect({ lines, code }).toEqual({ lines: ['Mandate reference M-2041'], code: null })
    expect(collected('').lines).toEqual([])
  })

  test('is said in the terms', () => {
    expect(toldTerms({ kind: 'days', days: 14, collected: { mandate: '' } }).words).toBe(
      'within 14 days, by direct debit',
    )
  })
})

describe('payment code and references', () => {
  test('the IBAN check is ISO 7064 mod 97', () => {
    expect(isIban('DE89 3704 0044 0532 0130 00')).toBe(true)
    expect(isIban('DE89 3704 0044 0532 0130 01')).toBe(false)
  })

  test.each([
    ['DE89 3704 0044 0532 0130 01', 'its check digits do not hold'],
    ['DE89 3704 0044 0532 0130', 'it has 20 characters, and one that begins with DE has 22'],
    ['QQ89 3704 0044 0532 0130 00', 'no country has IBANs that begin like this'],
  ])('says what is wrong with the IBAN %s', (iban, words) => {
    expect(() => checkIban(iban)).toThrow(words)
  })

  test('a creditor reference carries its own check digits', () => {
    expect(creditorReference('539007547034')).toBe('RF18539007547034')
    const reference = creditorReference('INV-2026-00042')
    expect(isCreditorReference(reference)).toBe(true)
    expect(isCreditorReference(reference.replace('42', '24'))).toBe(false)
  })

  test('the code has the lines of EPC069-12 in order', () => {
    const code = paymentCode({
      beneficiary: 'Tansy Hollow Supply Ltd',
      iban: 'IE35 DEMO 0000 0012 3456 78',
      bic: 'DEMOIE00',
      currency: 'EUR',
      amount: '1284.46',
      reference: 'RF18539007547034',
    })
    expect(code!.split('\n')).toEqual([
      'BCD',
      '002',
      '1',
      'SCT',
      'DEMOIE00',
      'Tansy Hollow Supply Ltd',
      'IE35DEMO00000012345678',
      'EUR1284.46',
      '',
      'RF18539007547034',
    ])
  })

  test('no code for sterling, for nothing to pay, or for a mistyped IBAN', () => {
    const facts = {
      beneficiary: 'B',
      iban: 'IE35DEMO00000012345678',
      bic: '',
      currency: 'EUR',
      amount: '1',
      reference: 'RF18539007547034',
    }
    expect(paymentCode({ ...facts, currency: 'GBP' })).toBeUndefined()
    expect(paymentCode({ ...facts, amount: '0' })).toBeUndefined()
    expect(paymentCode({ ...facts, iban: 'IE36DEMO00000012345678' })).toBeUndefined()
  })
})

describe('the invoice', () => {
  test("holds number, date of supply and due date in the customer's language", () => {
    const paper = exampleInvoice({ language: 'de' })
    expect(paper.heading).toBe('Rechnung')
    expect(paper.facts.map((fact) => `${fact.label}: ${fact.value}`)).toContain(
      'Leistungsdatum: 23. November 2026',
    )
    expect(paper.toPay).toEqual({ label: 'Zu zahlen, EUR', amount: '1.284,46' })
  })

  test('a missing second address line leaves no gap, a foreign country is named', () => {
    const billing = {
      name: 'Imkerei Waldsaum',
      lines: ['Am Waldsaum 4', '', '00318 Eschenried'],
      country: 'DE',
    }
    expect(exampleInvoice({ customer: { ...ottermill, billing } }).recipient.lines).toEqual([
      'Imkerei Waldsaum',
      'Am Waldsaum 4',
      '00318 Eschenried',
      'GERMANY',
    ])
    // its post office reads the language of the country that posts it
    expect(
      exampleInvoice({
        language: 'en',
        brand: { ...tansyHollow, country: 'AT', homeLanguage: 'de' },
        customer: { ...ottermill, billing },
      }).recipient.lines.at(-1),
    ).toBe('DEUTSCHLAND')
  })

  test(
    'asks to pay into the account of its currency, else into one that takes any; without an account ' +
      'it says none',
    () => {
      const [any, sterling] = [
        { name: 'A', iban: 'IE64IRCE92050112345678', bic: '', currency: '' },
        { name: 'S', iban: 'GB33BUKB20201555555555', bic: 'BUKBGB22', currency: 'GBP' },
      ]
      const paid = (currency: string, banks = [sterling, any]) =>
        exampleInvoice({ brand: { ...tansyHollow, banks }, order: { ...order, currency } })
      expect(paid('GBP').payment!.lines[0]).toContain('IBAN GB33 BUKB 2020 1555 5555 55, BIC BUKBGB22')
      expect(paid('GBP').brand.foot.at(-1)).toContain('S')
      expect(paid('EUR').payment!.lines[0]).toMatch(/IBAN IE64 IRCE 9205 0112 3456 78$/)
      expect(paid('EUR').payment!.code).toContain('IE64IRCE92050112345678')
      expect(paid('EUR', []).payment!.lines.join()).not.toContain('IBAN')
    },
  )

  test('says which methods are taken, in its language, and nothing where none is chosen', () => {
    const brand = { ...tansyHollow, methods: ['bank transfer', 'card'] as const }
    expect(exampleInvoice({ brand: { ...brand, methods: [...brand.methods] } }).payment!.lines).toContain(
      'We take: Bank transfer or Card.',
    )
    expect(
      exampleInvoice({ brand: { ...brand, methods: [...brand.methods] }, language: 'de' }).payment!.lines,
    ).toContain('Zahlbar per: Überweisung oder Karte.')
    expect(exampleInvoice().payment!.lines.join()).not.toContain('We take')
  })

  test('nothing to pay: no code and no bank details', () => {
    const paper = exampleInvoice({ order: { ...order, prepaid: '1284.46' } })
    expect(paper.payment).toBeNull()
    expect(paper.sums.at(-1)).toMatchObject({ label: 'Already paid', amount: '−1,284.46' })
  })

  test('is refused without an address, a date of supply, or with a sum below zero', () => {
    expect(() => exampleInvoice({ customer: { ...ottermill, billing: null } })).toThrow(
      'Ottermill Honey Co-op has no billing address',
    )
    expect(() => exampleInvoice({ order: { ...order, suppliedOn: null } })).toThrow('no date of supply')
    expect(() => exampleInvoice({ order: { ...order, lines: [orderLine({ quantity: '-1' })] } })).toThrow(
      'cannot be below zero',
    )
  })

  test('keeps the sender as it was when it was issued', () => {
    const before = exampleInvoice()
    exampleInvoice({ brand: { ...tansyHollow, addressLines: ['Elsewhere'] } })
    expect(before.brand.senderLine).toContain('Quarry Lane')
  })
})

describe('what was checked is what leaves', () => {
  const base = {
    brand: tansyHollow,
    customer: ottermill,
    language: 'en' as const,
    rates: { standard: '23', reduced: '13.5', zero: '0' },
  }
  const changed = exampleInvoice({
    ...base,
    order: { ...order, lines: [orderLine({ quantity: '13' }), ...order.lines.slice(1)] },
  })

  test('a changed line is told with before and now, and the new sum', () => {
    const changes = comparePapers(exampleInvoice(), changed)
    expect(changes.map((change) => change.what.words)).toEqual(['Line 1', 'To pay, EUR'])
    expect(changes[0]!.now.words).toContain('13')
  })

  test('another number or date alone is no change', () => {
    expect(
      comparePapers(exampleInvoice(), exampleInvoice({ number: 'INV-2026-00043', date: '2026-11-25' })),
    ).toEqual([])
  })

  test('a preview shows no number and no reference that somebody could use', () => {
    const shown = asPreview(exampleInvoice({ issued: false, number: 'INV-2026-00000' }))
    expect(shown.number).toBe('INV-2026-·····')
    expect(shown.payment!.lines.join()).not.toMatch(/RF\d/)
  })
})
