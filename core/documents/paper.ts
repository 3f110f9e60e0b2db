import type { PaperAccount } from './open-table'
import type { Language } from '../money/format'
import type { Currency, DecimalText } from '../money/decimal'
import type { Day } from './days'
import type { ItemCodes } from './facts'
import type { PaperExact } from './exact'
import type { DocumentKind } from './kinds'
import type { LabelPrinting, PrinterOffset } from '../shipping/label-formats'
import type { RelatedFacts } from './related'

/**
 * The plain, complete content of a document: every text, number and date as it will be printed, in its language.
 * What depends on the number and the day of issue is set by `issuePaper` and has its final size reserved before.
 */
export interface Paper {
  schema: 1
  kind: DocumentKind
  language: Language
  currency: Currency
  /** "Invoice". */
  heading: string
  /** The finished number, or a stand-in of the same width while `issued` is false. */
  number: string
  issued: boolean
  /** Marked across every page: not a valid document. */
  rehearsal?: boolean
  /** Marked across every page: made again, not the original. */
  copy?: boolean
  /** ISO days for readers that calculate; the printed forms stand in `facts`. */
  date: Day
  /** Null where nothing is asked for. */
  dueDate: Day | null
  brand: PaperBrand
  recipient: { lines: string[] }
  /** Short rows of label and value: date, date of supply, due, our order, your reference, customer, tax number. */
  facts: PaperFact[]
  /** What is said before the table, as in a letter. */
  intro?: string
  columns: PaperColumns
  lines: PaperLine[]
  adjustments: { label: string; amount: string }[]
  /** One row per rate. */
  taxes: { rate: string; base: string; tax: string }[]
  /** Rows above the sum to pay; `key` names those that a design can leave out. */
  sums: { key?: 'lines' | 'net' | 'tax'; label: string; amount: string; strong: boolean }[]
  toPay: { label: string; amount: string }
  payment: PaperPayment | null
  /** What is open on the customer's account besides, where the design lists it. */
  account?: PaperAccount
  /** What is owed by age, on a statement. */
  ageing?: { label: string; amount: string }[]
  /** What is sent back with a payment, where the design has it: what it is for, and what the payer writes in. */
  slip?: { title: string; rows: { label: string; value: string }[]; fields: string[] }
  /** What a scanner reads to find the order (Code 128), with what stands below it. */
  barcode?: { text: string; caption: string }
  /** What who takes it in signs, at the foot of the last page. */
  signature?: { title: string; fields: string[] }
  /** Parcels whose labels are bought, each with where its way is seen; '' where it is not. */
  parcels?: { parcel: string; tracking: string; href: string }[]
  /** What stands on the label that is peeled off the sheet, where the design has one. */
  peelOff?: { to: string[]; rows: string[] }
  /** How far the printer sets off what has to stand in its place. Millimetres. */
  offset?: PrinterOffset
  /** A test print: the places of labels are marked. */
  crosses?: true
  /** Labels of parcels: nothing else of it is drawn, unless they follow on sheets of their own. */
  labels?: { printing: LabelPrinting; follow?: true; of: PaperLabel[] }
  customerNote: string | null
  /** Paragraphs before the customer's note: where the goods go, own fields, texts of the house. */
  paragraphs?: string[]
  /** Texts of the house in the foot of every page. */
  foot?: string[]
  /** Texts of the house on pages of their own, after everything else. */
  pages?: { title: string; text: string }[]
  /**
   * What the law wants said: why no tax is charged, the tax in the house's currency. Left out on papers of
   * older versions.
   */
  legal?: string[]
  words: PaperWords
  /** The same amounts as exact decimals, for the register and the open item. */
  amounts: { net: DecimalText; tax: DecimalText; total: DecimalText; toPay: DecimalText }
  /** What emails can say of it that no document prints (`relatedFacts`), in its language. */
  related?: RelatedFacts
  /** Everything once more in exact values, for forms that machines read. */
  exact: PaperExact
}

export interface PaperFact {
  key:
    | 'date'
    | 'supplied'
    | 'due'
    | 'order'
    | 'reference'
    | 'customer'
    | 'taxNumber'
    | 'invoice'
    | 'replaces'
    | 'method'
    | 'period'
    | 'shipped'
    | 'until'
    | 'service'
    | 'contact'
  label: string
  value: string
}

export interface PaperColumns {
  item: string
  description: string
  quantity: string
  price: string
  rate: string
  amount: string
}

/** A shipping label as it is printed. */
export interface PaperLabel {
  to: string[]
  carrier: string
  service: string
  /** "Parcel 1 of 3". */
  parcel: string
  weight: string
  rows: { label: string; value: string }[]
  tracking: { label: string; value: string; bars: string }
  /** Who sends it, where the house does not. */
  from?: string
  /** 18 digits, or ''. */
  sscc: string
  /** SHA-256 of the carrier's own label, a PDF, that stands in its place. */
  file: string | null
}

export interface PaperLine {
  item: string
  description: string
  /** Small, under the description. */
  detail: string | null
  quantity: string
  price: string
  rate: string
  amount: string
  /** The sum up to here, where a page that ends after this line carries it forward. */
  carry?: string
  /** What else its item is called. */
  codes?: ItemCodes
  /** Where it leads in an email: the page that shows a parcel's way. */
  href?: string
}

/** Fixed words in the paper's language. {page} and {pages} are filled by the layout. */
export interface PaperWords {
  page: string
  tax: string
  base: string
  taxAmount: string
  continued: string
  /** Before the sum that a page carries forward to the next, and takes over from the one before. */
  carried?: string
  broughtForward?: string
  rehearsal?: string
  copy?: string
}

/** How the sum is to be paid, written out. */
export interface PaperPayment {
  title: string
  lines: string[]
  reference: string
  /** EPC069-12 text, or null where there is no code. */
  code: string | null
  codeCaption: string
}

/** The sender as printed: a changed address or bank account never reaches back into an issued paper. */
export interface PaperBrand {
  code: string
  name: string
  legalName: string
  senderLine: string
  addressLines: string[]
  /** Columns of small print at the foot. */
  foot: string[][]
}

/** The width of a value that is only known at issue is reserved with this. */
export const standInDay: Day = '2028-12-28'
