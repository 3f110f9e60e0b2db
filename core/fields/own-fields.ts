import { Decimal } from '../money/decimal'
import { formatDay, isDay } from '../documents/days'
import { formatQuantity, type Language } from '../money/format'
import { badInput } from '../errors'
import { joined, told, type Told } from '../said/told'

export const fieldSubjects = ['order', 'line', 'item', 'customer'] as const
/** What has the field. */
export type FieldSubject = (typeof fieldSubjects)[number]
export const fieldKinds = ['text', 'number', 'date', 'choice', 'yes/no'] as const
export type FieldKind = (typeof fieldKinds)[number]

/** A field of the house's own. Its name is what conditions, email texts and files call it, and stays. */
export interface OwnFieldFacts {
  of: FieldSubject
  name: string
  kind: FieldKind
  /** The words to choose from. */
  choices: string[]
  /** How documents call it, by language; its name where there is none. */
  labels: Partial<Record<Language, string>>
  /** Whether it is printed where it is filled. */
  printed: boolean
}

/** Values by the field's name: numbers as decimals, dates as ISO days, yes/no as "yes" or "no". */
export type FieldValues = Record<string, string>

const yesNo: Record<Language, [yes: string, no: string]> = {
  en: ['yes', 'no'],
  de: ['ja', 'nein'],
  fr: ['oui', 'non'],
}

/**
 * The values as they are kept: what is empty is left out.
 * @throws Refusal "unknown-field", "wrong-value", about "fields.<name>"
 */
export function checkedValues(
  fields: readonly OwnFieldFacts[],
  values: Readonly<FieldValues>,
  what: string,
): FieldValues {
  const kept: FieldValues = {}
  for (const [name, given] of Object.entries(values)) {
    const value = given.trim()
    const field = fields.find((one) => one.name === name)
    if (!field) throw badInput('unknown-field', `fields.${name}`, { name, what })
    if (value === '') continue
    const wrong = wrongWith(field, value)
    if (wrong) throw badInput('wrong-value', `fields.${name}`, { name, wrong })
    kept[name] = value
  }
  return kept
}

function wrongWith(field: OwnFieldFacts, value: string): Told | null {
  switch (field.kind) {
    case 'number':
      return /^-?\d{1,12}(\.\d{1,6})?$/.test(value) ? null : told('own-field/number', { value })
    case 'date':
      return isDay(value) ? null : told('own-field/date', { value })
    case 'choice':
      return field.choices.includes(value)
        ? null
        : told('own-field/choice', { value, choices: joined(field.choices, 'list/comma') })
    case 'yes/no':
      return value === 'yes' || value === 'no' ? null : told('own-field/yes/no', { value })
    case 'text':
      return null
  }
}

/** A value as a document prints it. */
export function printedValue(field: OwnFieldFacts, value: string, language: Language): string {
  switch (field.kind) {
    case 'number':
      return formatQuantity(new Decimal(value).toString(), language)
    case 'date':
      return isDay(value) ? formatDay(value, language) : value
    case 'yes/no':
      return yesNo[language][value === 'yes' ? 0 : 1]
    default:
      return value
  }
}

/** "Delivery window: Monday · Season order: yes": what is filled of the fields that are printed; '' for none. */
export function printedFields(
  fields: readonly OwnFieldFacts[],
  values: Readonly<FieldValues>,
  language: Language,
): string {
  return fields
    .filter((field) => field.printed && values[field.name])
    .map((field) => {
      const label = field.labels[language] || field.name
      return `${label}: ${printedValue(field, values[field.name]!, language)}`
    })
    .join(' · ')
}
