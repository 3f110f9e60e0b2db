/** The names in the braces of a sentence. */
export type NamesIn<Sentence> = Sentence extends `${string}{${infer Name}}${infer Rest}`
  ? Name | NamesIn<Rest>
  : never

export type Values = Readonly<Record<string, string | number>>

/** A sentence with its values in the place of their names. */
export const filled = (sentence: string, values: Values): string =>
  sentence.replace(/\{(\w+)\}/g, (_, name: string) => String(values[name]))
