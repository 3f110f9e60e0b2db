import { describe, expect, test } from 'vitest'
import { contrastWithWhite } from '../designs/contrast'
import { readDesign } from '../designs/check-design'
import { suppliedDesign } from '../designs/supplied'
import { documentKinds } from '../documents/kinds'
import { fillEmailText } from '../emailtexts/email-text'
import { exampleFacts } from '../emailtexts/fields'
import { plainEmailLook } from '../emailtexts/email-look'
import { purposesOf } from '../emailtexts/purposes'
import { languages } from '../money/format'
import { checkTaxCode } from '../money/tax-codes'
import { checkSeries, formatNumber } from '../numbering/series'
import { checkSentence } from '../routines/sentence'
import { proposalFor, taxCodesOf } from './from-country'
import { coloursOf } from './logo-colours'
import {
  codeOf,
  starterColours,
  starterLook,
  starterRoutines,
  starterSeries,
  starterStatuses,
  starterText,
} from './starter'

describe('what follows from a country', () => {
  test.each([
    ['IE', 'EUR', 'en', 'Europe/Dublin', ['23', '13.5', '9', '0']],
    ['DE', 'EUR', 'de', 'Europe/Berlin', ['19', '7', '0']],
    ['CH', 'CHF', 'de', 'Europe/Zurich', ['8.1', '3.8', '2.6', '0']],
    ['FR', 'EUR', 'fr', 'Europe/Paris', ['20', '10', '5.5', '2.1', '0']],
    ['GB', 'GBP', 'en', 'Europe/London', ['20', '5', '0']],
  ])('%s', (country, currency, language, timeZone, rates) => {
    const proposal = proposalFor(country)
    expect(proposal).toMatchObject({ currency, language, timeZone })
    expect(proposal.taxCodes.map((code) => code.rates[0]!.percent)).toEqual(rates)
  })

  test('a country that nothing is known of proposes no currency and no zone, and still one tax code', () => {
    const { currency, timeZone, taxCodes } = proposalFor('KI')
    expect([currency, timeZone, taxCodes.map((one) => one.code)]).toEqual(['', '', ['zero']])
  })

  test('every proposed tax code is one that documents can print, in each language', () => {
    for (const language of languages)
      for (const code of taxCodesOf(['23', '13.5', '9', '4.8'])) checkTaxCode(code, language)
  })

  test('every proposed time zone is one', () => {
    for (const country of ['CY', 'IS', 'LI', 'MC', 'SK']) {
      const { timeZone } = proposalFor(country)
      expect(() => new Intl.DateTimeFormat('en', { timeZone })).not.toThrow()
    }
  })
})

describe('the starter set', () => {
  const texts = documentKinds.flatMap((kind) =>
    purposesOf(kind).flatMap((purpose) => languages.map((language) => [purpose, kind, language] as const)),
  )
  test.each(texts)(
    'has an email text for the %s time of a %s in %s that can be filled',
    (purpose, kind, language) => {
      const frame = {
        brandName: 'Meadowgate',
        colours: { brand: '#000000', accent: '#000000' },
        look: plainEmailLook,
        footLines: [],
        language,
      }
      const filled = fillEmailText(starterText(purpose, kind, language), exampleFacts, frame)
      expect(filled.subject.trim()).not.toBe('')
      expect(filled.text).not.toMatch(/\{[{%]/)
    },
  )

  test.each(documentKinds)('numbers a %s; another brand’s numbers cannot be the same', (kind) => {
    const facts = { date: '2026-11-28', brand: 'MS', order: '' }
    const [first, second] = [starterSeries(kind, true, 1), starterSeries(kind, false, 1)]
    checkSeries(first)
    checkSeries(second)
    expect(formatNumber(first, 1, facts)).not.toBe(formatNumber(second, 1, facts))
    expect(formatNumber(second, 1, facts)).toContain('MS')
    expect(starterSeries(kind, true, 4)).toMatchObject({ restart: 'business year', businessYearStart: 4 })
  })

  test('has routines that hold with the statuses it brings', () => {
    for (const { sentence } of starterRoutines) checkSentence(sentence, starterStatuses.all)
  })

  test('has a design that can be drawn', () => {
    readDesign(suppliedDesign(starterLook('Meadowgate', starterColours, null)))
  })

  test.each([
    ['Meadowgate Seeds Ltd', 'MSL'],
    ['Åkerström', 'AK'],
    ['a b c d e f', 'ABCD'],
    ['', ''],
  ])('short code of %s: %s', (name, code) => {
    expect(codeOf(name)).toBe(code)
  })
})

describe('colours out of a logo', () => {
  const pixels = (...colours: [number[], number][]) =>
    Uint8Array.from(colours.flatMap(([colour, count]) => Array.from({ length: count }, () => colour).flat()))

  test('take what covers most of it, dark enough to read on white, and a second one that differs', () => {
    const { brand, accent, ground } = coloursOf(
      pixels([[240, 200, 60, 255], 30], [[20, 90, 160, 255], 10], [[255, 255, 255, 255], 500]),
    )
    expect(contrastWithWhite(brand)).toBeGreaterThanOrEqual(4.5)
    expect(accent).toBe('#145aa0')
    expect(contrastWithWhite(ground)).toBeLessThan(1.2)
  })

  test('leave out black, white, greys and what is transparent', () => {
    expect(coloursOf(pixels([[0, 0, 0, 255], 9], [[120, 120, 124, 255], 9], [[255, 0, 0, 10], 99]))).toEqual(
      starterColours,
    )
  })
})
