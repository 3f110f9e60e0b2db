/** What merge fields may name. Every value is text, already in the paper's language. */
export interface MergeFields {
  number: string
  order: string
  reference: string
  date: string
  due: string
  total: string
  customer: string
  contact: string
  brand: string
  sender: string
}

export const mergeFieldNames: readonly (keyof MergeFields)[] = [
  'number',
  'order',
  'reference',
  'date',
  'due',
  'total',
  'customer',
  'contact',
  'brand',
  'sender',
]
