import { filled, type NamesIn, type Values } from '../filled'
import { guide } from './guide'
import { mail } from './mail'
import { register } from './register'
import { routines } from './routines'
import { state } from './state'

/** Every sentence that Clothespin says of its own accord, by its key: the subject, then what is said. */
export const saidSentences = { ...guide, ...mail, ...register, ...routines, ...state } as const

export type SaidKey = keyof typeof saidSentences

/** What is said: the key of its sentence with its values, and the sentence in English. */
export interface Told {
  says: string
  values: Values
  words: string
}

type ValuesOf<Key extends SaidKey> = [NamesIn<(typeof saidSentences)[Key]>] extends [never]
  ? []
  : [values: Record<NamesIn<(typeof saidSentences)[Key]>, string | number>]

/** Says a sentence: no value of it may be missing. */
export const told = <Key extends SaidKey>(says: Key, ...given: ValuesOf<Key>): Told => {
  const values: Values = given[0] ?? {}
  return { says, values, words: filled(saidSentences[says], values) }
}
