import { countryName } from '../countries'
import { formatDay } from '../documents/days'
import type { Saying, Value, Values, Words } from '../filled'
import { formatMoney, type Language } from '../money/format'

/** A language in which things are said. */
export interface Tongue {
  language: Language
  /**
   * The sentence of a key with its words in place; undefined where the language has none.
   * @param count how many it speaks of, where that decides between its forms
   */
  sentence: (key: string, words: Words, count?: number) => string | undefined
}

/** What is no sentence, and reads otherwise in each language. */
const forms: Record<string, (words: Words, language: Language) => string> = {
  'value/day': ({ day }, language) => formatDay(String(day), language, 'short'),
  'value/money': ({ amount, currency }, language) =>
    `${formatMoney(String(amount), String(currency), language)} ${currency}`,
  'value/country': ({ code }, language) => countryName(String(code), language),
  'value/raised': ({ of }) => String(of).charAt(0).toUpperCase() + String(of).slice(1),
}

/** What is said, in a language, with what is said within it. Undefined where the language lacks a sentence of it. */
export function speak({ says, values }: Saying, tongue: Tongue): string | undefined {
  const words: Record<string, string | number> = {}
  for (const [name, value] of Object.entries(values)) {
    const word = wordOf(value, tongue)
    if (word === undefined) return undefined
    words[name] = word
  }
  const form = forms[says]
  if (form) return form(words, tongue.language)
  return says.startsWith('count/')
    ? tongue.sentence(says, words, Number(words.n))
    : tongue.sentence(says, words)
}

const wordOf = (value: Value, tongue: Tongue): string | number | undefined =>
  typeof value === 'object' ? speak(value, tongue) : value

/** What was told stands in another sentence without its English: that is made anew with it. */
export const bare = (values: Values): Values =>
  Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'object' ? { says: value.says, values: value.values } : value,
    ]),
  )
