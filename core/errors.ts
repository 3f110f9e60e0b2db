import type { Value, Values } from './filled'
import type { RefusalKey, ValueOf } from './refusals/sentences'
import { inEnglish } from './said/english'
import { bare } from './said/speak'

/** A field or record that a refusal is about, so that the interface can lead there. */
export interface RefusalSubject {
  field?: string
  record?: { kind: string; id: string | number; label?: string }
}

interface Circumstances {
  /** HTTP status the API answers with: 400 for bad input, 404, 409 (the rule) for a state that does not allow it. */
  status?: number
  about?: RefusalSubject
}

/** The values of a sentence: none may be missing, and none is wanted where the sentence has no braces. */
type Given<Key extends RefusalKey> = [ValueOf<Key>] extends [never]
  ? { values?: undefined }
  : { values: Record<ValueOf<Key>, Value> }
type Rest<Key extends RefusalKey> = [ValueOf<Key>] extends [never]
  ? [options?: Circumstances & Given<Key>]
  : [options: Circumstances & Given<Key>]

/**
 * A refusal: which sentence is said (core/refusals), with its values. Everything that says no in core and services
 * throws one; the API answers it as `application/problem+json` (RFC 9457), and the interface makes the sentence.
 */
export class Refusal<Key extends RefusalKey = RefusalKey> extends Error {
  /** Stable, for programs and tests: lower case words joined by hyphens. */
  readonly code: string
  readonly values: Values
  readonly status: number
  readonly about: RefusalSubject

  constructor(
    readonly says: Key,
    ...[options]: Rest<Key>
  ) {
    const {
      values: given = {},
      status = 409,
      about = {},
    } = (options ?? {}) as Circumstances & {
      values?: Values
    }
    const values = bare(given)
    super(inEnglish({ says, values }))
    this.name = 'Refusal'
    this.code = says.split('/')[0]!
    this.values = values
    this.status = status
    this.about = about
  }
}

/** Refuses what was entered in a field: 400, about that field. */
export const badInput = <Key extends RefusalKey>(
  says: Key,
  field: string,
  ...[values]: [ValueOf<Key>] extends [never] ? [] : [values: Record<ValueOf<Key>, Value>]
): Refusal<Key> => {
  const options = { values, status: 400, about: { field } }
  // what the sentence needs is checked where this is called; here its key is any
  return new Refusal(says, ...([options] as unknown as Rest<Key>))
}
