import type { OwnFieldFacts } from '../fields/own-fields'
import { fieldsOf } from './fields'
import type { ImportSubject } from './subjects'

/** A field's value: from a column, or the same for every row. */
export type Mapped = { column: number } | { fixed: string }

export type Mapping = Record<string, Mapped>

const bare = (name: string) => name.toLowerCase().replace(/[^\p{L}\d]/gu, '')

/** Which column is which field, by their names; one column serves one field. */
export function guessMapping(
  subject: ImportSubject,
  columns: readonly string[],
  own: readonly OwnFieldFacts[] = [],
): Mapping {
  const mapping: Mapping = {}
  const taken = new Set<number>()
  const names = columns.map(bare)
  for (const exact of [true, false]) {
    for (const field of fieldsOf(subject, own)) {
      if (mapping[field.key]) continue
      const column = names.findIndex(
        (name, index) =>
          !taken.has(index) &&
          name !== '' &&
          field.named.some((word) =>
            exact
              ? name === bare(word)
              : name.length > 3 && bare(word).length > 3 && name.includes(bare(word)),
          ),
      )
      if (column < 0) continue
      mapping[field.key] = { column }
      taken.add(column)
    }
  }
  return mapping
}
