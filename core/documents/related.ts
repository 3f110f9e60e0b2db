import { printedValue, type FieldValues, type OwnFieldFacts } from '../fields/own-fields'
import type { Language } from '../money/format'
import { formatDay, type Day } from './days'
import type { Address } from './facts'
import { addressLines } from './printed'
import { paperWords } from './words'

/*
 * What an email can say of a document's order and customer and no document prints. It is frozen with the document, so
 * that its email says the same whenever it leaves.
 */

/** By what email texts call it: "salesperson", "order.Season order"; what is not filled is ''. */
export type RelatedFacts = Record<string, string>

export interface Related {
  /** Null where it is made of no order. */
  ordered: Day | null
  /** How its order stands, as the customer reads it; '' where it is made of no order. */
  status: string
  salesperson: string
  delivery: Address | null
  fields: { order: FieldValues; customer: FieldValues }
}

/** @param own the house's own fields @param home the company's language, in which its post office reads addresses */
export function relatedFacts(
  { ordered, status, salesperson, delivery, fields }: Related,
  own: readonly OwnFieldFacts[],
  language: Language,
  from: { country: string; homeLanguage: Language },
): RelatedFacts {
  const ownFacts = own.flatMap((field): [string, string][] => {
    if (field.of !== 'order' && field.of !== 'customer') return []
    const value = fields[field.of][field.name]
    return [[`${field.of}.${field.name}`, value ? printedValue(field, value, language) : '']]
  })
  return {
    ordered: ordered ? formatDay(ordered, language) : '',
    status,
    salesperson,
    delivery: delivery
      ? addressLines({ billing: delivery }, paperWords[language].attention, from).join('\n')
      : '',
    ...Object.fromEntries(ownFacts),
  }
}
