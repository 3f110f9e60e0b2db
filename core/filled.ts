/** The names in the braces of a sentence. */
export type NamesIn<Sentence> = Sentence extends `${string}{${infer Name}}${infer Rest}`
  ? Name | NamesIn<Rest>
  : never

/** What is said: the key of its sentence, and what stands in the braces of that. */
export interface Saying {
  says: string
  values: Values
}

/** What stands in a sentence: text, a number, or what is said there. */
export type Value = string | number | Saying
export interface Values {
  readonly [name: string]: Value
}

/** The words of a sentence, ready to stand in it. */
export type Words = Readonly<Record<string, string | number>>

/** A sentence with its words in the place of their names. */
export const filled = (sentence: string, words: Words): string =>
  sentence.replace(/\{(\w+)\}/g, (_, name: string) => String(words[name]))
