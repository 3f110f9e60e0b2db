import { calls } from './calls'
import { customers } from './customers'
import { dispatch } from './dispatch'
import { documents } from './documents'
import { drafts } from './drafts'
import { enclosures } from './enclosures'
import { house } from './house'
import { imports } from './imports'
import { items } from './items'
import { line } from './line'
import { orders } from './orders'
import { people } from './people'
import { receivables } from './receivables'
import { routines } from './routines'
import { shared } from './shared'
import { shipping } from './shipping'

/**
 * Every sentence with which Clothespin says no, by its key: the stable code, and where one code is said in several
 * ways, what tells them apart after a slash. What stands in braces is a value of the refusal. The interface makes its
 * sentence from the same table, and a translation is another one with the same keys.
 */
export const sentences = {
  ...calls,
  ...customers,
  ...dispatch,
  ...documents,
  ...drafts,
  ...enclosures,
  ...house,
  ...imports,
  ...items,
  ...line,
  ...orders,
  ...people,
  ...receivables,
  ...routines,
  ...shared,
  ...shipping,
} as const

export type RefusalKey = keyof typeof sentences

/** The names in the braces of a sentence. */
export type NamesIn<Sentence> = Sentence extends `${string}{${infer Name}}${infer Rest}`
  ? Name | NamesIn<Rest>
  : never

export type ValueOf<Key extends RefusalKey> = NamesIn<(typeof sentences)[Key]>

export type RefusalValues = Readonly<Record<string, string | number>>

/** A sentence with its values in place. */
export const filledSentence = (key: RefusalKey, values: RefusalValues): string =>
  sentences[key].replace(/\{(\w+)\}/g, (_, name: string) => String(values[name]))
