import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { goingAlong, type EnclosureFacts, type EnclosureQuestion } from './enclosures'
import { fileKinds, nameWithEnding } from './file-kinds'
import { mailSize, sizeWords, tooLarge } from './mail-size'

let count = 0
const file = (name: string, more: Partial<EnclosureFacts> = {}): EnclosureFacts => ({
  id: ++count,
  name,
  sha256: `of ${name}`,
  size: 1000,
  mediaType: 'application/pdf',
  kinds: [],
  brandId: null,
  groupId: null,
  customerId: null,
  sourceId: null,
  preparedId: null,
  item: null,
  language: null,
  from: null,
  until: null,
  goes: true,
  mostDownloads: null,
  goodDays: null,
  ...more,
})
const email: EnclosureQuestion = {
  documents: [{ kind: 'invoice', language: 'de', sourceId: 7, items: ['HB-10', 'SMOKER'] }],
  brandId: 1,
  groupId: 3,
  customerId: 5,
  day: '2026-11-28',
  own: null,
}
const names = (kept: EnclosureFacts[], more: Partial<EnclosureQuestion> = {}) =>
  goingAlong(kept, { ...email, ...more }).map(({ name, leftOut }) => (leftOut ? `(${name})` : name))

describe('what goes along', () => {
  test.each<[string, Partial<EnclosureFacts>, boolean]>([
    ['nothing is said', {}, true],
    ['this kind', { kinds: ['credit note', 'invoice'] }, true],
    ['another kind', { kinds: ['credit note'] }, false],
    ['this brand', { brandId: 1 }, true],
    ['another brand', { brandId: 2 }, false],
    ['this group', { groupId: 3 }, true],
    ['another group', { groupId: 4 }, false],
    ['this customer', { customerId: 5 }, true],
    ['another customer', { customerId: 6 }, false],
    ['this order', { sourceId: 7 }, true],
    ['another order', { sourceId: 8 }, false],
    ['an item in its lines', { item: 'SMOKER' }, true],
    ['another item', { item: 'SMOKE' }, false],
    ['this language', { language: 'de' }, true],
    ['another language', { language: 'fr' }, false],
    ['from today', { from: '2026-11-28' }, true],
    ['from tomorrow', { from: '2026-11-29' }, false],
    ['until today', { until: '2026-11-28' }, true],
    ['until yesterday', { until: '2026-11-27' }, false],
    ['it stays here', { goes: false }, false],
    ['added to another email', { preparedId: 9 }, false],
  ])('%s', (_words, rule, goes) => {
    expect(names([file('it.pdf', rule)])).toEqual(goes ? ['it.pdf'] : [])
  })

  test('goes along with an order update only where that is named: it is a few words, and no document', () => {
    const update = { documents: [{ ...email.documents[0]!, kind: 'order update' as const }] }
    expect(names([file('prices.pdf'), file('of the order.pdf', { sourceId: 7 })], update)).toEqual([])
    expect(names([file('care.pdf', { kinds: ['order update'] })], update)).toEqual(['care.pdf'])
  })

  test('with one of several documents in an email it goes along once', () => {
    const documents = [
      ...email.documents,
      { kind: 'credit note', language: 'de', sourceId: 8, items: [] },
      { kind: 'credit note', language: 'de', sourceId: 9, items: [] },
    ] as const
    expect(names([file('credits.pdf', { kinds: ['credit note'] })], { documents })).toEqual(['credits.pdf'])
  })

  test('the narrowest comes first, one content once, and two of one name are told apart', () => {
    const kept = [
      file('terms.pdf'),
      file('terms.pdf', { sha256: 'other', customerId: 5 }),
      file('the same.pdf', { sha256: 'of drawing.pdf' }),
      file('drawing.pdf', { sourceId: 7 }),
    ]
    expect(names(kept)).toEqual(['drawing.pdf', 'terms.pdf', 'terms (2).pdf'])
  })

  test('what a person left out is named as such, and what was added comes first', () => {
    const terms = file('terms.pdf')
    const added = file('added.pdf', { preparedId: 9 })
    const own = { leftOut: [terms.id], added: [added.id] }
    expect(names([terms, added, file('zone.pdf')], { own })).toEqual(['added.pdf', 'zone.pdf', '(terms.pdf)'])
  })

  test('left out once, the same content does not come along under another name', () => {
    const one = file('terms.pdf', { sha256: 'same' })
    const other = file('conditions.pdf', { sha256: 'same' })
    expect(names([one, other], { own: { leftOut: [one.id], added: [] } })).toEqual(['(conditions.pdf)'])
  })
})

describe('the size of an email', () => {
  test('is that of base64, line ends included', () => {
    const bytes = 1_000_000
    const lines = Buffer.alloc(bytes)
      .toString('base64')
      .replaceAll(/(.{76})/g, '$1\r\n')
    expect(mailSize([bytes]) - mailSize([])).toBeGreaterThanOrEqual(lines.length)
    expect(mailSize([bytes]) - mailSize([])).toBeLessThan(lines.length + 200)
  })

  test('never shrinks by a further file', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(20_000_000)), fc.nat(20_000_000), (files, further) => {
        expect(mailSize([...files, further])).toBeGreaterThanOrEqual(mailSize(files) + further)
      }),
    )
  })

  test('is said in words, and what is too much', () => {
    expect([999, 120_000, 3_400_000, 20_000_000].map(sizeWords)).toEqual([
      '1 kB',
      '120 kB',
      '3.4 MB',
      '20 MB',
    ])
    expect(tooLarge(20_000_000, 20)).toBe(null)
    expect(tooLarge(24_600_000, 20)?.words).toContain('has 24.6 MB, and its mail account takes at most 20 MB')
  })
})

test('a file has the ending of what it is', () => {
  const [pdf, , jpg] = fileKinds
  expect(nameWithEnding('Terms', pdf!)).toBe('Terms.pdf')
  expect(nameWithEnding('terms.PDF', pdf!)).toBe('terms.PDF')
  expect(nameWithEnding('view.jpeg', jpg!)).toBe('view.jpeg')
  expect(nameWithEnding('offer.exe', pdf!)).toBe('offer.exe.pdf')
})
