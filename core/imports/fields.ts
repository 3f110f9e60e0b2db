import type { FieldSubject, FieldValues, OwnFieldFacts } from '../fields/own-fields'
import type { ImportField } from './field'
import { importFields, type ImportSubject } from './subjects'
import type { ImportRecord } from './row'

/** Whose own fields come in with a kind of record, and what their keys begin with. */
const ownOf: Partial<Record<ImportSubject, { of: FieldSubject; prefix: string; words: string }[]>> = {
  customers: [{ of: 'customer', prefix: 'fields.', words: '' }],
  items: [{ of: 'item', prefix: 'fields.', words: '' }],
  orders: [
    { of: 'order', prefix: 'fields.', words: '' },
    { of: 'line', prefix: 'lineFields.', words: 'Line: ' },
  ],
}

const kinds: Record<OwnFieldFacts['kind'], ImportField['kind']> = {
  text: 'text',
  number: 'number',
  date: 'day',
  choice: 'choice',
  'yes/no': 'choice',
}

/** All fields of a kind of record, with those of the house's own. A column of an own field's name is that field. */
export const fieldsOf = (subject: ImportSubject, own: readonly OwnFieldFacts[]): readonly ImportField[] => [
  ...importFields[subject],
  ...(ownOf[subject] ?? []).flatMap(({ of, prefix, words }) =>
    own
      .filter((field) => field.of === of)
      .map((field): ImportField => ({
        key: `${prefix}${field.name}`,
        words: `${words}${field.name}`,
        kind: kinds[field.kind],
        most: 200,
        choices: field.kind === 'yes/no' ? ['yes', 'no'] : field.choices,
        named: [field.name],
      })),
  ),
]

/** The own fields that a record fills, by their names; undefined where it has none. */
export function ownValues(record: ImportRecord, prefix: 'fields.' | 'lineFields.'): FieldValues | undefined {
  const values = Object.entries(record)
    .filter(([key]) => key.startsWith(prefix))
    .map(([key, value]) => [key.slice(prefix.length), value] as const)
  return values.length ? Object.fromEntries(values) : undefined
}
