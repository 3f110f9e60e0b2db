import type { ContactRole } from '../preferences/recipients'

/** The kinds of document the house can issue today, in the order they come up in an order's life. */
export const documentKinds = [
  'order confirmation',
  'invoice',
  'credit note',
  'payment receipt',
  'refund receipt',
] as const
export type DocumentKind = (typeof documentKinds)[number]

/** What holds for every document of a kind. */
export interface KindFacts {
  /** "an invoice". */
  one: string
  many: string
  /** Issuing it books an open item: issuing is posting. */
  books: boolean
  /** The goods must have left before: it prints the date of supply. */
  needsSupply: boolean
  /** It is made of an order, by a routine or by hand. */
  ofOrder: boolean
  /** It is made of a payment or a refund that was recorded. The rest answer a document. */
  ofPayment: boolean
  /** It asks for money: due date, bank account and payment code are printed. */
  asksForPayment: boolean
  /** It waits while its order is held or withdrawn. A credit note does not: it is what a withdrawal calls for. */
  waitsWithOrder: boolean
  /** Whom it goes to when nothing else is said. */
  to: Exclude<ContactRole, 'anyone'>
}

export const kindFacts: Readonly<Record<DocumentKind, KindFacts>> = {
  'order confirmation': {
    one: 'an order confirmation',
    many: 'order confirmations',
    ofOrder: true,
    ofPayment: false,
    books: false,
    needsSupply: false,
    asksForPayment: false,
    waitsWithOrder: true,
    to: 'buying',
  },
  invoice: {
    one: 'an invoice',
    many: 'invoices',
    ofOrder: true,
    ofPayment: false,
    books: true,
    needsSupply: true,
    asksForPayment: true,
    waitsWithOrder: true,
    to: 'billing',
  },
  'credit note': {
    one: 'a credit note',
    many: 'credit notes',
    ofOrder: false,
    ofPayment: false,
    books: true,
    needsSupply: false,
    asksForPayment: false,
    waitsWithOrder: false,
    to: 'billing',
  },
  'payment receipt': {
    one: 'a payment receipt',
    many: 'payment receipts',
    ofOrder: false,
    ofPayment: true,
    books: false,
    needsSupply: false,
    asksForPayment: false,
    waitsWithOrder: false,
    to: 'billing',
  },
  'refund receipt': {
    one: 'a refund receipt',
    many: 'refund receipts',
    ofOrder: false,
    ofPayment: true,
    books: false,
    needsSupply: false,
    asksForPayment: false,
    waitsWithOrder: false,
    to: 'billing',
  },
}

/** The kinds that are made of orders. */
export const orderKinds = documentKinds.filter((kind) => kindFacts[kind].ofOrder)

/** The kinds that a posting routine sends. */
export const postedKinds = documentKinds.filter((kind) => kindFacts[kind].books)

/** "1 invoice", "3 invoices". */
export function countOf(count: number, kind: DocumentKind): string {
  return `${count} ${count === 1 ? kind : kindFacts[kind].many}`
}

/** A sentence's first letter raised. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** The kind of the receipt of a payment or a refund. */
export const receiptKind = (direction: 'in' | 'out'): DocumentKind =>
  direction === 'in' ? 'payment receipt' : 'refund receipt'
