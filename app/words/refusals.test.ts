import { expect, test } from 'vitest'
import { sentences } from '../../core/refusals/sentences'
import { inEnglish } from '../../core/said/english'
import { refusalWords } from './refusals'

/** A value for each name in a sentence's braces, with what a person may have typed. */
const valuesOf = (sentence: string) =>
  Object.fromEntries(
    [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => [name!, `{${name} | a@b.example}`]),
  )

test('the interface says of every refusal what the API says, whatever its values hold', () => {
  for (const [key, sentence] of Object.entries(sentences)) {
    const values = valuesOf(sentence)
    expect(refusalWords({ says: key, values, title: '' })).toBe(inEnglish({ says: key, values }))
  }
})

test('what only a newer server says is said in its own words', () => {
  expect(refusalWords({ says: 'of-tomorrow', values: {}, title: 'Not yet.' })).toBe('Not yet.')
})
