import type { FieldKind } from '../../../core/fields/own-fields'

export const kindWords: Record<FieldKind, string> = {
  text: 'text',
  number: 'number',
  date: 'date',
  choice: 'one of some words',
  'yes/no': 'yes or no',
}
