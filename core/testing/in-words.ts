import type { Told } from '../said/told'

type InWords<T> = T extends Told
  ? string
  : T extends readonly (infer One)[]
    ? InWords<One>[]
    : T extends Date
      ? T
      : T extends object
        ? { [Key in keyof T]: InWords<T[Key]> }
        : T

/** A value in which everything that is told is its English sentence: as a test reads it. */
export function inWords<T>(value: T): InWords<T> {
  const words = (part: unknown): unknown => {
    if (part === null || typeof part !== 'object' || part instanceof Date) return part
    if (Array.isArray(part)) return part.map(words)
    if ('says' in part && 'words' in part && Object.keys(part).length === 3) return part.words
    return Object.fromEntries(Object.entries(part).map(([key, one]) => [key, words(one)]))
  }
  return words(value) as InWords<T>
}
