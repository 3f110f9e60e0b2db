import { filled, type Saying } from '../filled'
import { sentences } from '../refusals/sentences'
import { saidSentences } from './sentences'
import { speak, type Tongue } from './speak'

const table: Readonly<Record<string, string>> = { ...saidSentences, ...sentences }

/** The language in which the tables of this repository are written. */
const english: Tongue = {
  language: 'en',
  sentence(key, words, count) {
    const sentence = table[key]
    if (sentence === undefined || count === undefined) return sentence && filled(sentence, words)
    const [one, more] = sentence.split(' | ')
    return filled(count === 1 ? one! : more!, words)
  },
}

/** What is said, in English; its key where nothing is known of that. */
export const inEnglish = (saying: Saying): string => speak(saying, english) ?? saying.says
