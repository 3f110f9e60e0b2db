/** What merge fields may name. Every value is text, already in the paper's language. */
export interface MergeFields {
  number: string
  order: string
  reference: string
  date: string
  due: string
  /** What is to be paid; the document's total where nothing is. Of several documents the sum. */
  total: string
  /** "due", "paid" (at once or before) or "nothing" (it comes to nothing). Of several "due" where one is. */
  paying: string
  /** "yes" where one email carries several documents. */
  several: string
  /** A line each of several documents: number, date, sum and due date. */
  documents: string
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
  'paying',
  'several',
  'documents',
  'customer',
  'contact',
  'brand',
  'sender',
]
