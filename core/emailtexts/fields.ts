/** What merge fields may name. Every value is text, already in the document's language. */
export interface MergeFields {
  number: string
  /** What the document is called: "Invoice". */
  document: string
  order: string
  reference: string
  date: string
  /** When it was or will be supplied. */
  supplied: string
  due: string
  /** What is to be paid; the document's total where nothing is. Of several documents the sum. */
  total: string
  /** The document that this one corrects or settles. */
  invoice: string
  /** "due", "paid" (at once or before) or "nothing" (it comes to nothing). Of several "due" where one is. */
  paying: string
  /** "yes" where one email carries several documents. */
  several: string
  /** A line each of several documents: number, date, sum and due date. */
  documents: string
  customer: string
  customerNumber: string
  contact: string
  /** "Dear Nuala Fennimore", "Dear customer" where nobody is named; in the document's language. */
  greeting: string
  brand: string
  sender: string
}

export type FieldName = keyof MergeFields

/** How fields are gathered where one is chosen. */
export const fieldGroups = {
  document: ['number', 'document', 'date', 'due', 'total', 'supplied', 'invoice', 'documents'],
  order: ['order', 'reference'],
  customer: ['greeting', 'contact', 'customer', 'customerNumber'],
  house: ['brand', 'sender'],
} as const satisfies Record<string, readonly FieldName[]>

/** Those that can be written; "paying" and "several" are only asked for. */
export const mergeFieldNames: readonly FieldName[] = Object.values(fieldGroups).flat()

const known = new Set<string>([...mergeFieldNames, 'paying', 'several'])
export const isFieldName = (name: string): name is FieldName => known.has(name)

/** A table that an email can carry, in the document's language. */
export interface EmailTable {
  /** Text to the left, numbers to the right. */
  columns: { heading: string; right: boolean }[]
  rows: string[][]
  /** Where the first cell of each row leads. */
  hrefs?: string[]
}

/** All that an email text can say about what it carries. */
export interface EmailFacts {
  values: MergeFields
  tables: {
    lines: EmailTable
    documents: EmailTable
    /** Files that are had by a link; none where all is attached. */
    links: EmailTable
  }
}

export const exampleFields: MergeFields = {
  number: 'INV-2026-00042',
  document: 'Invoice',
  order: 'SO-20931',
  reference: 'OM/118',
  date: '24 November 2026',
  supplied: '23 November 2026',
  due: '24 December 2026',
  total: '1,284.46 EUR',
  invoice: 'INV-2026-00017',
  paying: 'due',
  several: '',
  documents: '',
  customer: 'Ottermill Honey Co-op',
  customerNumber: '10023',
  contact: 'Nuala Fennimore',
  greeting: 'Dear Nuala Fennimore',
  brand: 'Tansy Hollow',
  sender: 'Maeve Tarrant',
}

const right = (heading: string) => ({ heading, right: true })
const left = (heading: string) => ({ heading, right: false })

export const exampleFacts: EmailFacts = {
  values: exampleFields,
  tables: {
    lines: {
      columns: [left('Description'), right('Quantity'), right('Amount')],
      rows: [
        ['Hive stand, ash', '2', '84.00'],
        ['Smoker, 100 mm', '1', '39.50'],
      ],
    },
    documents: { columns: [left('Document'), left('Date'), right('Amount'), left('Due')], rows: [] },
    links: { columns: [left('To download'), left('Until')], rows: [] },
  },
}
