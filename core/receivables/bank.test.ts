import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { creditorReference } from '../documents/payment-code'
import type { BankEntry } from './bank-statement'
import { Camt053Reader, readCamt053 } from './camt053'
import { bareNumber, lessMatch, matchEntry, numbersIn, sameName, type Candidate } from './match'
import { inWords } from '../testing/in-words'

const statement = (
  entries: string,
  head = '<Acct><Id><IBAN>IE35DEMO00000012345678</IBAN></Id></Acct>',
) => `<?xml version="1.0" encoding="UTF-8"?>
<Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08">
<BkToCstmrStmt><Stmt>${head}${entries}</Stmt></BkToCstmrStmt></Document>`
const entryXml = (amount: string, details: string, more = '') =>
  `<Ntry><Amt Ccy="EUR">${amount}</Amt><CdtDbtInd>CRDT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts>
<BookgDt><Dt>2026-11-20</Dt></BookgDt>${more}<NtryDtls>${details}</NtryDtls></Ntry>`
const paid = (text: string, name = 'Ottermill Honey Co-op') =>
  `<TxDtls><RltdPties><Dbtr><Pty><Nm>${name}</Nm></Pty></Dbtr></RltdPties>
<RmtInf><Ustrd>${text}</Ustrd></RmtInf></TxDtls>`

describe('a camt.053 statement', () => {
  test('gives payer, text, structured reference and amount, in the older and newer place of the name', () => {
    const [read] = readCamt053(
      statement(
        entryXml(
          '123.40',
          `<TxDtls><RltdPties><Dbtr><Nm>Bee &amp; Bloom</Nm></Dbtr>
<DbtrAcct><Id><IBAN>DE02120300000000202051</IBAN></Id></DbtrAcct></RltdPties>
<RmtInf><Strd><CdtrRefInf><Ref>RF86INV202600015</Ref></CdtrRefInf></Strd></RmtInf></TxDtls>`,
        ) + entryXml('5', paid('thanks')),
      ),
    )
    expect(read!.account).toBe('IE35DEMO00000012345678')
    expect(read!.entries[0]).toMatchObject({
      amount: '123.40',
      currency: 'EUR',
      name: 'Bee & Bloom',
      iban: 'DE02120300000000202051',
      reference: 'RF86INV202600015',
      bookedOn: '2026-11-20',
    })
    expect(read!.entries[1]).toMatchObject({ name: 'Ottermill Honey Co-op', text: 'thanks' })
  })

  test(
    'a batch is one entry a transaction; money out and reversals are below zero; what is only ' +
      'pending is left out',
    () => {
      const batch = entryXml(
        '30',
        `<TxDtls><Amt Ccy="EUR">10</Amt>${paid('a').slice(8)}<TxDtls><Amt Ccy="EUR">20</Amt>${paid('b').slice(8)}`,
      )
      const out = entryXml('7', paid('fee')).replace('CRDT', 'DBIT')
      const reversed = entryXml('9', paid('back')).replace('<Sts>', '<RvslInd>true</RvslInd><Sts>')
      const pending = entryXml('11', paid('later')).replace('BOOK', 'PDNG')
      expect(
        readCamt053(statement(batch + out + reversed + pending))[0]!.entries.map((one) => one.amount),
      ).toEqual(['10', '20', '-7', '-9'])
    },
  )

  test('two movements that are alike have keys of their own, and the same file has the same keys again', () => {
    const twice = statement(entryXml('5', paid('x')) + entryXml('5', paid('x')))
    const keys = () => readCamt053(twice)[0]!.entries.map((one) => one.key)
    expect(new Set(keys()).size).toBe(2)
    expect(keys()).toEqual(keys())
  })

  test.each([
    [
      'an entity bomb',
      `<!DOCTYPE lolz [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]>${statement('')}`,
      'declares a document type',
    ],
    [
      'an external entity',
      statement('').replace('?>', '?><!DOCTYPE x SYSTEM "file:///etc/passwd">'),
      'declares a document type',
    ],
    ['a torn file', statement(entryXml('5', paid('x'))).slice(0, -60), 'no well-formed XML'],
    ['another message', '<Document><FIToFICstmrCdtTrf/></Document>', 'no bank statement'],
    ['words', 'Dear bank', 'no well-formed XML'],
    ['elements without end in each other', '<a>'.repeat(100_000), 'more elements in each other'],
    [
      'a tag of a thousand attributes',
      `<a ${Array.from({ length: 1000 }, (_, n) => `b${n}="1"`).join(' ')}/>`,
      'more attributes',
    ],
    [
      'an entry that fills the memory',
      statement(entryXml('5', '<x/>'.repeat(300_000))),
      'more elements in one entry',
    ],
    [
      'an entry without a date',
      statement(entryXml('5', paid('x')).replace('2026-11-20', '')),
      'Entry 1 has no booking date',
    ],
    ['an amount that is none', statement(entryXml('5e9', paid('x'))), 'Entry 1 has no amount'],
  ])('%s is refused in words', (_, xml, words) => expect(() => readCamt053(xml)).toThrow(words))

  test('read in pieces, however they are cut, it is the same', () => {
    const whole = statement(
      entryXml('5', paid('Grüße 🐝 & more'.replace('&', '&amp;'))) +
        entryXml('7.50', paid('<![CDATA[a < b]]>')),
    )
    const expected = readCamt053(whole)
    expect(expected[0]!.entries.map((one) => one.text)).toEqual(['Grüße 🐝 & more', 'a < b'])
    for (let size = 1; size < 60; size++) {
      const reader = new Camt053Reader()
      for (let at = 0; at < whole.length; at += size) reader.write(whole.slice(at, at + size))
      expect(reader.close()).toEqual(expected)
    }
  })

  test('whatever it is given, it reads or refuses in words', () => {
    const valid = statement(entryXml('5', paid('x')))
    fc.assert(
      fc.property(fc.integer({ min: 0, max: valid.length }), fc.string({ maxLength: 12 }), (place, bit) => {
        try {
          readCamt053(valid.slice(0, place) + bit + valid.slice(place + bit.length))
        } catch (error) {
          expect((error as Error).name).toBe('Refusal')
        }
      }),
      { numRuns: 1500 },
    )
  })
})

const entry = (change: Partial<BankEntry> = {}): BankEntry => ({
  key: 'k',
  bookedOn: '2026-11-20',
  amount: '100.00',
  currency: 'EUR',
  name: 'Ottermill Honey Co-op',
  iban: '',
  text: '',
  reference: '',
  ...change,
})
const item = (change: Partial<Candidate> = {}): Candidate => ({
  id: 1,
  number: 'INV-2026-00042',
  date: '2026-11-01',
  dueDate: '2026-12-01',
  currency: 'EUR',
  open: '100.00',
  amount: '100.00',
  terms: { kind: 'days', days: 30 },
  customerId: 7,
  customerName: 'Ottermill Honey Co-op',
  ...change,
})
const decide = (change: Partial<BankEntry>, named: Candidate[] = [], same: Candidate[] = []) =>
  inWords(matchEntry(entry(change), named, same, { smallDifference: '0.05' }))

describe('numbers in what a payer wrote', () => {
  test.each([
    'INV-2026-00042',
    'inv 2026 00042 merci',
    'Rechnung INV2026-00042 vom 1.11.',
    'x/INV-2026-00042/y',
    'RF99'.replace('RF99', creditorReference('INV-2026-00042')),
  ])('%s', (text) => {
    expect(numbersIn({ text, reference: '' })).toContain(bareNumber('INV-2026-00042'))
  })
  test('a creditor reference in its own field, also written in fours', () => {
    const reference = creditorReference('INV-2026-00042')
    expect(numbersIn({ text: '', reference })).toContain('INV202600042')
    expect(numbersIn({ text: reference.replace(/(.{4})/g, '$1 '), reference: '' })).toContain('INV202600042')
  })
  test('of a very long text, without end', () =>
    expect(numbersIn({ text: '1234 '.repeat(100_000), reference: '' }).length).toBeLessThan(800))
})

describe('a bank entry', () => {
  test('is sure with number and amount, also over two invoices, with discount, with a small difference', () => {
    expect(decide({}, [item()])).toMatchObject({ certainty: 'sure', customerId: 7 })
    expect(
      decide({ amount: '150.00' }, [
        item(),
        item({ id: 2, number: 'INV-2026-00043', open: '50.00', amount: '50.00' }),
      ]),
    ).toMatchObject({ certainty: 'sure', settlements: [{ amount: '100.00' }, { amount: '50.00' }] })
    expect(
      decide({ amount: '98.00' }, [
        item({ date: '2026-11-15', terms: { kind: 'days', days: 30, discount: { percent: '2', days: 10 } } }),
      ]),
    ).toMatchObject({ certainty: 'sure', reason: expect.stringContaining('2.00 early-payment discount') })
    expect(decide({ amount: '99.97' }, [item()])).toMatchObject({
      certainty: 'sure',
      reason: expect.stringContaining('0.03 waived'),
    })
  })
  test('is unsure when the amount does not fit, or two customers are named, with the reason', () => {
    expect(decide({ amount: '60.00' }, [item()])).toMatchObject({
      certainty: 'unsure',
      reason: 'It names INV-2026-00042; 40.00 would stay open.',
    })
    expect(decide({ amount: '110.00' }, [item()])).toMatchObject({
      certainty: 'unsure',
      reason: expect.stringContaining('10.00 is too much'),
    })
    expect(decide({ amount: '200.00' }, [item(), item({ id: 2, customerId: 8 })])).toMatchObject({
      certainty: 'unsure',
      reason: expect.stringContaining('2 customers'),
    })
  })
  test('is proposed by amount and name, and strange by amount alone', () => {
    expect(decide({ name: 'HONEY CO-OP OTTERMILL LTD' }, [], [item()])).toMatchObject({
      certainty: 'unsure',
      customerId: 7,
      settlements: [{ documentId: 1 }],
    })
    expect(decide({ name: 'Somebody' }, [], [item()])).toMatchObject({
      certainty: 'strange',
      customerId: null,
      settlements: [],
    })
    expect(decide({}, [], [])).toMatchObject({ certainty: 'strange' })
  })
  test('for what is paid, or in another currency, is strange and says why', () => {
    expect(decide({}, [item({ open: '0.00' })]).reason).toBe(
      'It names INV-2026-00042, on which nothing is open.',
    )
    expect(decide({ currency: 'GBP' }, [item()]).reason).toContain('which is in EUR')
  })
  test('that went out is a refund only of a credit note it names', () => {
    expect(decide({ amount: '-61.50' }, [item({ number: 'CN-2026-0001', open: '-61.50' })])).toMatchObject({
      certainty: 'sure',
      settlements: [{ amount: '61.50' }],
    })
    expect(decide({ amount: '-4.90', text: 'Fee' })).toMatchObject({ certainty: 'strange' })
  })
  test('twice in one file: the second finds nothing open', () => {
    const first = decide({}, [item()])
    expect(decide({}, [lessMatch(item(), first)])).toMatchObject({
      certainty: 'strange',
      reason: expect.stringContaining('nothing is open'),
    })
  })
})

test.each([
  ['Ottermill Honey Co-op', 'OTTERMILL HONEY COOP LTD', true],
  ['Müller Imkerei GmbH', 'Imkerei Mueller', false],
  ['Müller Imkerei GmbH', 'Imkerei Muller', true],
  ['The Honey Pantry', 'Honey Pantry Ltd', true],
  ['Honey Pantry', 'Honey', false],
  ['', 'x', false],
])('“%s” and “%s”: %s', (a, b, same) => {
  expect(sameName(a, b)).toBe(same)
})
