import { afterEach, describe, expect, test } from 'vitest'
import { Refusal } from '../../core/errors'
import { toldArrived } from '../../core/receivables/reminders'
import { sentences } from '../../core/refusals/sentences'
import { toldSentence } from '../../core/routines/sentence'
import { inEnglish } from '../../core/said/english'
import { saidSentences } from '../../core/said/sentences'
import {
  counted,
  joined,
  raised,
  told,
  toldAs,
  toldDay,
  toldKind,
  toldMoney,
  toldRefusal,
} from '../../core/said/told'
import { listed, longDay, quantity } from '../composables/format'
import { i18n, messagesOf } from '.'
import { saidWords } from './speech'

/** A value for each name in a sentence's braces, with what a person may have typed. */
const valuesOf = (sentence: string) =>
  Object.fromEntries(
    [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name!, `{${name} | a@b.example}`]),
  )

test('the interface says what the API says, made from key and values', () => {
  for (const [key, sentence] of Object.entries(saidSentences)) {
    if (key.startsWith('count/')) continue
    const values = valuesOf(sentence)
    expect(saidWords({ says: key, values, words: '' })).toBe(inEnglish({ says: key, values }))
  }
})

test('what is counted agrees with its number', () => {
  expect([0, 1, 2].map((n) => saidWords(counted(n, 'copy')))).toEqual(['0 copies', '1 copy', '2 copies'])
  expect([0, 1, 2].map((n) => counted(n, 'copy').words)).toEqual(['0 copies', '1 copy', '2 copies'])
})

test('what is said within something said is said in its language too', () => {
  const kinds = joined([toldKind('invoice', 'many'), toldKind('credit note', 'many')], 'list/and')
  const whole = told('guide/numbers', { brand: 'Hives', kinds })
  expect(whole.words).toBe('Hives: numbers for invoices and credit notes')
  expect(saidWords({ ...whole, words: '' })).toBe(whole.words)
  expect(JSON.stringify(whole.values)).not.toContain('words')
})

test('days and sums are written as the language writes them', () => {
  const [day, sum] = [toldDay('2026-12-01'), toldMoney('1284.4600', 'EUR')]
  expect([day, sum].map(({ words }) => words)).toEqual(['1 Dec 2026', '1,284.46 EUR'])
  expect([day, sum].map(saidWords)).toEqual(['1 Dec 2026', '1,284.46 EUR'])
  expect(raised(toldKind('invoice', 'one')).words).toBe('An invoice')
})

/** A language in which every sentence stands between marks. */
function speakMarked(without: readonly string[] = []) {
  const marked = (table: Readonly<Record<string, string>>) =>
    messagesOf(
      Object.fromEntries(
        Object.entries(table)
          .filter(([key]) => !without.includes(key))
          .map(([key, text]) => [
            key,
            text
              .split(' | ')
              .map((one) => `«${one}»`)
              .join(' | '),
          ]),
      ),
    )
  const { global } = i18n
  global.setLocaleMessage(
    'de' as 'en',
    {
      said: marked(saidSentences),
      refusals: marked(sentences),
    } as unknown as (typeof global.messages.value)['en'],
  )
  global.locale.value = 'de' as 'en'
}

describe('in another language', () => {
  afterEach(() => {
    i18n.global.locale.value = 'en'
  })
  const rule = toldSentence({
    statuses: ['Shipped', 'Closed'],
    conditions: [{ about: 'country', is: 'one of', values: ['DE', 'AT'] }],
    issue: 'invoice',
    to: 'billing',
    delayMinutes: 60,
  })

  test('all is said that is told, whatever is told within it; days, sums and countries as it writes them', () => {
    speakMarked()
    expect(saidWords(rule)).toBe(
      '«When «an order becomes «Shipped or «Closed»»»« and «it goes to «Deutschland or Österreich»»», ' +
        '«issue «an invoice»», «write to the billing contact», and let it go ««1 hour» later».»',
    )
    const [day, sum] = [toldDay('2026-12-01'), toldMoney('1284.46', 'EUR')]
    expect([day, sum].map(saidWords)).toEqual(['1. Dez. 2026', '1.284,46 EUR'])
    const refusal = new Refusal('money-arrived', {
      values: { words: toldArrived({ day: '2026-12-01', amount: '7.5', currency: 'EUR' }) },
    })
    expect(saidWords(toldRefusal(refusal))).toMatch(/^««7,50 EUR came on 1\. Dez\. 2026 and is not booked/)
  })

  test('numbers, days and lists of the screens are its own too', () => {
    speakMarked()
    expect(quantity('1204.5')).toBe('1.204,5')
    expect(longDay('2026-12-01')).toBe('1. Dez. 2026')
    expect(listed(['a', 'b', 'c'])).toBe('a, b und c')
  })

  test('what it has no sentence for is said in English, whole', () => {
    speakMarked(['turn/month', 'act/issue'])
    expect(saidWords(rule)).toBe(rule.words)
  })
})

test('what only a newer server says is said in its own words', () => {
  expect(saidWords({ says: 'of/tomorrow', values: {}, words: 'Not yet.' })).toBe('Not yet.')
  const within = toldAs('guide/numbers', { brand: 'Hives', kinds: { says: 'kind/many/quote', values: {} } })
  expect(saidWords({ ...within, words: 'Hives: numbers for quotes' })).toBe('Hives: numbers for quotes')
})
