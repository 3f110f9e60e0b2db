/** A field of the house's own: of the order, or of its customer. */
export type OwnFieldName = `${'order' | 'customer'}.${string}`

/** What merge fields may name. Every value is text, already in the document's language. */
export interface MergeFields {
  /** Fields of the house's own, as far as they are known; what is not filled is ''. */
  [own: OwnFieldName]: string | undefined
  number: string
  /** What the document is called: "Invoice". */
  document: string
  order: string
  /** The order's day. */
  ordered: string
  reference: string
  /** How the order stands, as its customer reads it. */
  status: string
  /** Who sells to them: the order's salesperson, or else the customer's. */
  salesperson: string
  /** Where the goods go, where that is not where it is billed; a line each. */
  delivery: string
  date: string
  /** When it was or will be supplied. */
  supplied: string
  due: string
  /** What is to be paid; the document's total where nothing is. Of several documents the sum. */
  total: string
  /** What is still open of an invoice, where the email reminds of it; else ''. */
  unpaid: string
  /** What of a statement's balance is past due; '' where nothing is. */
  overdue: string
  /** What the level of a reminder says. */
  reminder: string
  /** The day or the time that a statement tells of. */
  period: string
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
/** Those that are the same in every house. */
export type NamedField = Exclude<FieldName, OwnFieldName>

/** How fields are gathered where one is chosen. */
export const fieldGroups = {
  document: [
    'number',
    'document',
    'date',
    'due',
    'total',
    'supplied',
    'invoice',
    'documents',
    'period',
    'overdue',
    'unpaid',
    'reminder',
  ],
  order: ['order', 'ordered', 'reference', 'status', 'salesperson', 'delivery'],
  customer: ['greeting', 'contact', 'customer', 'customerNumber'],
  house: ['brand', 'sender'],
} as const satisfies Record<string, readonly NamedField[]>

/** Those that can be written; "paying" and "several" are only asked for. */
export const mergeFieldNames: readonly NamedField[] = Object.values(fieldGroups).flat()

const known = new Set<string>([...mergeFieldNames, 'paying', 'several'])
export const isFieldName = (name: string): name is FieldName => known.has(name) || isOwnFieldName(name)

const ownName = /^(order|customer)\.(.+)$/su
export const isOwnFieldName = (name: string): name is OwnFieldName => ownName.test(name)

/** How an email text names a field of the house's own. */
export const ownFieldName = (of: 'order' | 'customer', name: string): OwnFieldName => `${of}.${name}`

/** What a clerk calls it. */
export const wordsOfOwnField = (name: OwnFieldName): string => ownName.exec(name)![2]!

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
    /** What is open on a statement, or on the customer's account. */
    open: EmailTable
    /** Parcels of what goes, each with where its way is seen; none before labels are bought. */
    parcels: EmailTable
    /** Files that are had by a link; none where all is attached. */
    links: EmailTable
  }
}

export const exampleFields: MergeFields = {
  number: 'INV-2026-00042',
  document: 'Invoice',
  order: 'SO-20931',
  ordered: '20 November 2026',
  reference: 'OM/118',
  status: 'packed',
  salesperson: 'Maeve Tarrant',
  delivery: 'Ottermill Honey Co-op\nWeir Yard 2\nOttermill OM4 7QD',
  date: '24 November 2026',
  supplied: '23 November 2026',
  due: '24 December 2026',
  total: '1,284.46 EUR',
  invoice: 'INV-2026-00017',
  overdue: '412.00 EUR',
  unpaid: '784.46 EUR',
  reminder: 'These invoices are past due.',
  period: '30 November 2026',
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
    open: {
      columns: [left('Document'), left('Due'), right('Open')],
      rows: [
        ['INV-2026-00017', '24 Oct 2026', '412.00'],
        ['INV-2026-00042', '24 Dec 2026', '872.46'],
      ],
    },
    parcels: {
      columns: [left('Parcel'), left('Tracking number')],
      rows: [['Parcel 1 of 1', 'GP048210731IE']],
    },
    links: { columns: [left('To download'), left('Until')], rows: [] },
  },
}
