import { expect, test } from 'vitest'
import { filled } from '../../core/filled'
import { saidSentences } from '../../core/said/sentences'
import { saidWords } from './said'

/** A value for each name in a sentence's braces, with what a person may have typed. */
const valuesOf = (sentence: string) =>
  Object.fromEntries(
    [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name!, `{${name} | a@b.example}`]),
  )

test('the interface says what the API says, made from key and values', () => {
  for (const [key, sentence] of Object.entries(saidSentences)) {
    const values = valuesOf(sentence)
    expect(saidWords({ says: key, values, words: '' })).toBe(filled(sentence, values))
  }
})

test('what only a newer server says is said in its own words', () => {
  expect(saidWords({ says: 'of/tomorrow', values: {}, words: 'Not yet.' })).toBe('Not yet.')
})
