import type { FieldSubject, FieldValues, OwnFieldFacts } from '../fields/own-fields'
import { asWritten, told, toldAs, type Told } from '../said/told'
import type { ImportField } from './field'
import { importFields, type ImportSubject } from './subjects'
import type { ImportRecord } from './row'

/** Whose own fields come in with a kind of record, and what their keys begin with. */
const ownOf: Partial<Record<ImportSubject, { of: FieldSubject; prefix: string }[]>> = {
  customers: [{ of: 'customer', prefix: 'fields.' }],
  items: [{ of: 'item', prefix: 'fields.' }],
  orders: [
    { of: 'order', prefix: 'fields.' },
    { of: 'line', prefix: 'lineFields.' },
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
  ...(ownOf[subject] ?? []).flatMap(({ of, prefix }) =>
    own
      .filter((field) => field.of === of)
      .map((field): ImportField => ({
        key: `${prefix}${field.name}`,
        own: field.name,
        kind: kinds[field.kind],
        most: 200,
        choices: field.kind === 'yes/no' ? ['yes', 'no'] : field.choices,
        named: [field.name],
      })),
  ),
]

/** What a field is called. */
export function toldField(subject: ImportSubject, { key, own }: ImportField): Told {
  if (own === undefined) return toldAs(`import-field/${subject}/${key}`, {})
  return key.startsWith('lineFields.') ? told('row/line-field', { field: own }) : asWritten(own)
}

/** The own fields that a record fills, by their names; undefined where it has none. */
export function ownValues(record: ImportRecord, prefix: 'fields.' | 'lineFields.'): FieldValues | undefined {
  const values = Object.entries(record)
    .filter(([key]) => key.startsWith(prefix))
    .map(([key, value]) => [key.slice(prefix.length), value] as const)
  return values.length ? Object.fromEntries(values) : undefined
}
