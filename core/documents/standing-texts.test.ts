import { describe, expect, test } from 'vitest'
import { standingTextsOn, type StandingTextFacts, type TextQuestion } from './standing-texts'

const text = (change: Partial<StandingTextFacts> = {}): StandingTextFacts => ({
  name: 'Terms',
  kinds: [],
  brandId: null,
  customers: 'all',
  place: 'before the foot',
  texts: { en: 'Goods stay ours until paid.', de: 'Die Ware bleibt bis zur Zahlung unser.' },
  from: null,
  until: null,
  ...change,
})
const question = (change: Partial<TextQuestion> = {}): TextQuestion => ({
  kind: 'invoice',
  brandId: 1,
  language: 'en',
  homeLanguage: 'en',
  business: true,
  date: '2026-11-28',
  ...change,
})
const stands = (one: Partial<StandingTextFacts>, of: Partial<TextQuestion> = {}) =>
  standingTextsOn([text(one)], question(of)).paragraphs.length === 1

describe('a standing text', () => {
  test.each([
    ['for every kind', {}, {}, true],
    ['for this kind', { kinds: ['invoice'] as const }, {}, true],
    ['for another kind', { kinds: ['credit note'] as const }, {}, false],
    ['of this brand', { brandId: 1 }, {}, true],
    ['of another brand', { brandId: 2 }, {}, false],
    ['for business customers, to one', { customers: 'business' as const }, {}, true],
    [
      'for business customers, to a private one',
      { customers: 'business' as const },
      { business: false },
      false,
    ],
    ['for private customers, to one', { customers: 'private' as const }, { business: false }, true],
    ['on its first day', { from: '2026-11-28' }, {}, true],
    ['the day before', { from: '2026-11-29' }, {}, false],
    ['on its last day', { until: '2026-11-28' }, {}, true],
    ['the day after', { until: '2026-11-27' }, {}, false],
  ])('%s', (_, one, of, holds) => {
    expect(stands(one, of)).toBe(holds)
  })

  test('is in the language of the document, or else of the company, or not there', () => {
    const found = (language: 'de' | 'fr', one = text()) =>
      standingTextsOn([one], question({ language })).paragraphs[0]
    expect(found('de')).toMatch(/^Die Ware/)
    expect(found('fr')).toMatch(/^Goods/)
    expect(found('fr', text({ texts: { de: 'Nur deutsch' } }))).toBeUndefined()
  })

  test('in the foot gives way to one that names the kind; a page of its own has its name above it', () => {
    const general = text({ place: 'foot', texts: { en: 'general' } })
    const own = text({ place: 'foot', kinds: ['invoice'], texts: { en: 'not a receipt' } })
    expect(standingTextsOn([general, own], question()).foot).toEqual(['not a receipt'])
    expect(standingTextsOn([general, own], question({ kind: 'credit note' })).foot).toEqual(['general'])
    expect(standingTextsOn([text({ place: 'own page' })], question()).pages).toEqual([
      { title: 'Terms', text: 'Goods stay ours until paid.' },
    ])
  })
})
