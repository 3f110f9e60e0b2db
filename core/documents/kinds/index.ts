import type { SourceKind } from '../sources'
import { creditNote } from './credit-note'
import { customsInvoice } from './customs-invoice'
import { deliveryNote } from './delivery-note'
import { invoice } from './invoice'
import type { KindFacts } from './kind'
import { orderConfirmation } from './order-confirmation'
import { orderUpdate } from './order-update'
import { packingSlip } from './packing-slip'
import { paymentReceipt } from './payment-receipt'
import { paymentReminder } from './payment-reminder'
import { refundReceipt } from './refund-receipt'
import { returnNote } from './return-note'
import { shippingLabel } from './shipping-label'
import { statementOfAccount } from './statement-of-account'

export type { KindFacts }

/** The kinds of document that the house issues, in the order they come up in an order's life. */
const kinds = [
  orderConfirmation,
  orderUpdate,
  packingSlip,
  deliveryNote,
  shippingLabel,
  customsInvoice,
  returnNote,
  invoice,
  creditNote,
  paymentReceipt,
  refundReceipt,
  statementOfAccount,
  paymentReminder,
] as const

export type DocumentKind = (typeof kinds)[number]['name']
export const documentKinds: readonly DocumentKind[] = kinds.map((kind) => kind.name)

const facts = {} as Record<DocumentKind, KindFacts>
for (const kind of kinds) facts[kind.name] = kind
export const kindFacts: Readonly<Record<DocumentKind, KindFacts>> = facts

/** The kinds that are made of a source. */
export const kindsOf = (source: SourceKind): DocumentKind[] =>
  documentKinds.filter((kind) => kindFacts[kind].sources.includes(source))

/** The kinds that a house may date by their event: not what a person writes, nor what tells of its day itself. */
export const kindsOfEvents = documentKinds.filter(
  (kind) =>
    kindFacts[kind].content !== 'account' &&
    !kindFacts[kind].isUpdate &&
    !kindFacts[kind].sources.every((source) => source === 'draft'),
)

/** The kinds that are made of shipments. */
export const shipmentKinds = kindsOf('shipment')

/** The kinds that are made of what comes back. */
export const returnKinds = kindsOf('return')

/** Whether a kind goes with goods, to where they go; all else needs the address at which the customer is billed. */
export const goesWithGoods = (kind: DocumentKind): boolean =>
  kind !== 'customs invoice' && [...shipmentKinds, ...returnKinds].includes(kind)

/** The kinds that can list what is open on the customer's account besides; statements and reminders do it anyhow. */
export const listsAccount = (kind: DocumentKind): boolean =>
  kindFacts[kind].content === 'goods' || kindFacts[kind].content === 'money'

/** The kinds that are made of orders. */
export const orderKinds = kindsOf('order')

/** The kinds that a posting routine sends. */
export const postedKinds = documentKinds.filter((kind) => kindFacts[kind].books !== null)

/** "1 invoice", "3 invoices". */
export function countOf(count: number, kind: DocumentKind): string {
  return `${count} ${count === 1 ? kind : kindFacts[kind].many}`
}

/** A sentence's first letter raised. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** The kind of the receipt of a payment or a refund. */
export const receiptKind = (direction: 'in' | 'out'): DocumentKind =>
  direction === 'in' ? paymentReceipt.name : refundReceipt.name
