import type { Saying, Value, Values } from '../filled'
import type { DocumentKind } from '../documents/kinds'
import type { Refusal } from '../errors'
import type { Currency, DecimalText } from '../money/decimal'
import { inEnglish } from './english'
import type { SaidKey, ValuesOf } from './sentences'
import { bare } from './speak'

/** What is said, and its sentence in English, for whoever has no other. */
export interface Told extends Saying {
  words: string
}

/** What is said, from a key and values that may be of any table. */
export function toldAs(says: string, given: Values): Told {
  const values = bare(given)
  return { says, values, words: inEnglish({ says, values }) }
}

/** Says a sentence: no value of it may be missing. */
export const told = <Key extends SaidKey>(says: Key, ...[values]: ValuesOf<Key>): Told =>
  toldAs(says, values ?? {})

/** What a refusal says. */
export const toldRefusal = ({ says, values }: Refusal): Told => toldAs(says, values)

/** Words that somebody wrote, or that stand printed: they are the same in every language. */
export const asWritten = (words: string): Told => told('list/one', { first: words })

/** A day where something is said: "27 Nov 2026". */
export const toldDay = (day: string): Told => toldAs('value/day', { day })

/** A sum where something is said: "1,284.46 EUR". */
export const toldMoney = (amount: DecimalText, currency: Currency): Told =>
  toldAs('value/money', { amount, currency })

/** A country by its two letters (ISO 3166-1). */
export const toldCountry = (code: string): Told => toldAs('value/country', { code })

/** With its first letter raised: it begins a sentence. */
export const raised = (of: Value): Told => toldAs('value/raised', { of })

type Joint = Extract<SaidKey, `list/${string}`>

/** Several things said as one: "a, b", "a and b and c". @param all at least one */
export function joined(all: readonly (string | Told)[], by: Joint): Told {
  const last = all.at(-1) ?? ''
  const end = typeof last === 'string' ? asWritten(last) : last
  return all.slice(0, -1).reduceRight<Told>((rest, first) => toldAs(by, { first, rest }), end)
}

/** Several sentences, one after the other; null for none. */
export const allOf = (all: readonly Told[]): Told | null =>
  all.length === 0 ? null : joined(all, 'list/sentences')

/** "3 parcels". */
export const counted = (n: number, noun: Noun): Told => toldAs(`count/${noun}`, { n })
type Noun = Extract<SaidKey, `count/${string}`> extends `count/${infer Name}` ? Name : never

/** "invoice", "an invoice", "invoices". */
export const toldKind = (kind: DocumentKind, form: 'plain' | 'one' | 'many' = 'plain'): Told =>
  told(`kind/${form}/${kind}`)
