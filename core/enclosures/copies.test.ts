import { expect, test } from 'vitest'
import type { LedgerEntry, StatementFacts } from '../receivables/statement'
import { copyFiles, documentsOn, type StoredCopy } from './copies'

const entry = (documentId: number | null, change: Partial<LedgerEntry> = {}): LedgerEntry => ({
  kind: 'invoice',
  number: `INV-${documentId}`,
  day: '2026-11-01',
  dueDate: '2026-12-01',
  amount: '10.00',
  documentId,
  ...change,
})
const statement = (entries: LedgerEntry[]): StatementFacts => ({
  period: { form: 'activity', from: '2026-11-01', until: '2026-11-30' },
  currency: 'EUR',
  opening: '0',
  entries,
  open: [{ ...entry(99), open: '10.00', disputed: false, promisedOn: null }],
  balance: '0',
})
const stored = (documentId: number, change: Partial<StoredCopy> = {}): StoredCopy => ({
  documentId,
  number: `INV-${documentId}`,
  name: `Invoice-INV-${documentId}.pdf`,
  sha256: String(documentId).padStart(64, '0'),
  size: 1000,
  ...change,
})

test('the archive holds each document that is listed once: no payment, no discount, nothing else that is open', () => {
  const listed = documentsOn([
    statement([
      entry(3),
      entry(1, { kind: 'credit note', number: 'CN-1' }),
      entry(null, { kind: 'payment', number: 'INV-3' }),
      entry(3, { kind: 'discount' }),
    ]),
    statement([entry(3)]),
  ])
  expect(listed.map((one) => one.number)).toEqual(['INV-3', 'CN-1'])
})

test('in one ZIP no two files share a name, and its size is said before', () => {
  const [zip, ...others] = copyFiles([stored(1), stored(2, { name: 'Invoice-INV-1.pdf' })], 'zip', 'de')
  expect(others).toEqual([])
  expect(zip).toMatchObject({ name: 'Belege.zip', isZip: true })
  expect(zip!.of.map((one) => one.name)).toEqual(['Invoice-INV-1.pdf', 'Invoice-INV-1 (2).pdf'])
  expect(zip!.size).toBeGreaterThan(2000)
})

test('singly they are the stored files; none are none', () => {
  expect(copyFiles([stored(1), stored(2)], 'singly', 'en').map((one) => [one.name, one.size])).toEqual([
    ['Invoice-INV-1.pdf', 1000],
    ['Invoice-INV-2.pdf', 1000],
  ])
  expect(copyFiles([stored(1)], 'none', 'en')).toEqual([])
  expect(copyFiles([], 'zip', 'en')).toEqual([])
})
